import { setTimeout as wait } from 'node:timers/promises';
import type { Frame, Page } from 'playwright-core';
import { z } from 'zod';
import type { SeenBox, SeenPlaying } from '@orbis/core';
import { framesOn, isInBox, isWithin, middleOf, topFrame } from './attribute.ts';
import type { Watched } from './watching.ts';

/** The part of a film that is asked for, in seconds; null for what is not said. */
export interface AskedClip {
  start: number | null;
  end: number | null;
}

/* What a frame says of its film is foreign as well. */
const state = z.object({ paused: z.boolean(), at: z.number(), length: z.number().nullable() });
type State = z.infer<typeof state>;

/* How long a player may take to begin, and how long past its end it is watched, in ms. */
const [beginning, ending, step] = [6000, 4000, 100];

/**
 * Presses what stands in a box as a visitor would, and sees whether a film or sound begins, where, and
 * whether it stops where it is asked to.
 * @returns null where there is none.
 */
export async function playIn(
  page: Page,
  watched: Watched,
  box: SeenBox,
  clip: AskedClip,
): Promise<SeenPlaying | null> {
  const film = await filmIn(page, watched, box);
  if (film === null) return null;
  const before = await film.state();
  const byItself = before !== null && !before.paused;
  const began = byItself ? before : await pressed(page, watched, film, box);
  if (began === null) return { began: 'never', from: null, stops: null, length: null };
  return {
    began: byItself ? 'by-itself' : 'pressed',
    from: began.at,
    stops: clip.end === null ? null : await stopsAt(film, clip.end),
    // By now its beginning has come, which says how long it is.
    length: (await film.state())?.length ?? began.length,
  };
}

/* A film somewhere in a frame, or on the page itself. */
interface Film {
  frame: Frame;
  state(): Promise<State | null>;
  jump(to: number): Promise<void>;
}

/* The first film or sound of a document; on the page itself the first whose middle is in the box. */
const theFilm = (box: SeenBox | null): string =>
  `[...document.querySelectorAll('video,audio')].find(${isInBox(box)})`;

async function filmIn(page: Page, watched: Watched, box: SeenBox): Promise<Film | null> {
  const tops = (await framesOn(page, watched))
    .filter((each) => isWithin(each.box, box))
    .map(({ frame }) => frame);
  const inside = page.frames().filter((frame) => tops.includes(topFrame(frame)!));
  for (const frame of [page.mainFrame(), ...inside]) {
    const film = filmOf(frame, frame === page.mainFrame() ? box : null);
    if ((await film.state()) !== null) return film;
  }
  return null;
}

function filmOf(frame: Frame, box: SeenBox | null): Film {
  // A frame that goes meanwhile has none.
  const ask = (expression: string): Promise<unknown> => frame.evaluate(expression).catch(() => null);
  return {
    frame,
    state: async () =>
      state.safeParse(
        await ask(`(() => { const film = ${theFilm(box)};
          return film
            ? { paused: film.paused || film.ended, at: film.currentTime,
                length: Number.isFinite(film.duration) ? film.duration : null }
            : null; })()`),
      ).data ?? null,
    jump: async (to) => void (await ask(`(${theFilm(box)} ?? {}).currentTime = ${to}`)),
  };
}

/* Its middle first, where most players take a press; then its first button. */
async function pressed(page: Page, watched: Watched, film: Film, box: SeenBox): Promise<State | null> {
  await page.mouse.click(...(await middleOf(watched, box)));
  const began = await untilPlaying(film);
  if (began) return began;
  await film.frame
    .locator('button:visible, [role=button]:visible')
    .first()
    .click({ timeout: 2000 })
    // There may be none, or something before it.
    .catch(() => undefined);
  return untilPlaying(film);
}

async function untilPlaying(film: Film): Promise<State | null> {
  for (let waited = 0; waited < beginning / 2; waited += step) {
    const now = await film.state();
    if (now && !now.paused) return now;
    await wait(step);
  }
  return null;
}

/* A film that ends before that has stopped as well; null where it does not get there in time. */
async function stopsAt(film: Film, end: number): Promise<boolean | null> {
  await film.jump(Math.max(0, end - 1));
  for (let waited = 0; waited < ending; waited += step) {
    const now = await film.state();
    if (now === null) return null;
    if (now.paused && (now.at >= end - 0.5 || waited >= ending / 2)) return true;
    if (!now.paused && now.at > end + 1) return false;
    await wait(step);
  }
  return null;
}
