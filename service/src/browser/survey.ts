import type { CDPSession, Page } from 'playwright-core';
import { spotDevices } from '@orbis/core';
import type { Tab } from './browser.ts';
import { tallest, type Photograph } from './photograph.ts';
import { atRest, untilQuiet } from './show.ts';

/** Where an element is on a page, in px of CSS. */
export interface Box {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** An element of a page, and how wide what is in it can be on each device; null where it does not show. */
export interface Area {
  selector: string;
  /** How the text in it begins. */
  words: string;
  box: Box;
  widths: Record<(typeof spotDevices)[number], number | null>;
}

/** A page as a desktop shows it, with what was looked for on it. */
export interface Survey {
  picture: Photograph;
  /** Elements that can hold an embed, in the order of the page. */
  offered: Area[];
  /** What each selector finds first; null where that is nothing, or nothing that shows. */
  asked: (Area | null)[];
}

/** How wide the windows of these devices are, in px of CSS. */
const windows = { phone: 390, tablet: 768, desktop: 1280 } as const;
const height = 800;
/* How long a page may take to load, in milliseconds; what takes longer is seen as far as it is. */
const loading = 15_000;

/**
 * Looks at a published page at the widths of three devices. Its scripts run, as what they lay out is what
 * visitors see; what is asked of it is asked from outside their reach.
 * @param selectors what is looked for; one that a browser does not know finds nothing.
 * @param offers whether elements that can hold an embed are looked for as well.
 */
export async function survey(
  { page, context }: Tab,
  url: string,
  { selectors, offers }: { selectors: readonly string[]; offers: boolean },
): Promise<Survey> {
  await page.setViewportSize({ width: windows.desktop, height });
  await untilQuiet(page, async () => {
    await page.goto(url, { waitUntil: 'commit', timeout: loading });
    await page.waitForLoadState('load', { timeout: loading }).catch(() => undefined);
  });
  const ask = await outsideOf(await context.newCDPSession(page));
  await ask(remember(selectors, offers));
  const rooms = {
    phone: await roomsAt(page, windows.phone, ask),
    tablet: await roomsAt(page, windows.tablet, ask),
    desktop: await roomsAt(page, windows.desktop, ask),
  };
  const high = Math.min(tallest, Math.max(1, await ask<number>('document.documentElement.scrollHeight')));
  await page.setViewportSize({ width: windows.desktop, height: high });
  const boxes = await atRest(() => ask<(Box | null)[]>(boxesOfRemembered));
  const clip = { x: 0, y: 0, width: windows.desktop, height: high };
  const png = await page.screenshot({ clip, animations: 'disabled' });
  const names = await ask<Pick<Area, 'selector' | 'words'>[]>(namesOfRemembered);
  const areas = names.map((name, i): Area | null => {
    const box = boxes[i];
    const widths = { phone: rooms.phone[i]!, tablet: rooms.tablet[i]!, desktop: rooms.desktop[i]! };
    return box ? { ...name, box, widths } : null;
  });
  return {
    picture: { png, width: windows.desktop, height: high },
    asked: areas.slice(0, selectors.length),
    offered: areas.slice(selectors.length).flatMap((area) => (area ? [area] : [])),
  };
}

type Ask = <T>(expression: string) => Promise<T>;

/* Asks the document in a world of its own, where no script of the page has changed what words mean. */
async function outsideOf(session: CDPSession): Promise<Ask> {
  const { frameTree } = await session.send('Page.getFrameTree');
  const { executionContextId: contextId } = await session.send('Page.createIsolatedWorld', {
    frameId: frameTree.frame.id,
  });
  return async <T>(expression: string): Promise<T> => {
    const asked = { expression, contextId, returnByValue: true, userGesture: false };
    const { result, exceptionDetails } = await session.send('Runtime.evaluate', asked);
    if (exceptionDetails) throw new Error(exceptionDetails.exception?.description ?? exceptionDetails.text);
    return result.value as T;
  };
}

async function roomsAt(page: Page, width: number, ask: Ask): Promise<(number | null)[]> {
  await page.setViewportSize({ width, height });
  return atRest(() => ask<(number | null)[]>(roomsOfRemembered));
}

/* Elements that embeds stand in; no lines of text, no tables, no pictures. */
const holders =
  'article aside blockquote body dd details div fieldset figure footer form header li main nav section td';
/* So many elements are looked at, and so many are offered; the smallest that one can be, in px. */
const [mostSeen, mostOffered, narrowest, lowest] = [20_000, 300, 120, 20];

/*
 * Has the document’s own world remember what was asked for, and behind it what can hold an embed. An element
 * is named by what is likely to stay: its id, what it is or a class, where it is the only one, and else by
 * the way from one that is. What has many digits in it is made anew each time.
 */
const remember = (selectors: readonly string[], offers: boolean): string => `(() => {
  const known = new Map();
  const only = (selector) => document.querySelectorAll(selector).length === 1;
  const stays = (name) => name.length <= 40 && !/\\d{4}/.test(name);
  const selectorOf = (element) => {
    if (known.has(element)) return known.get(element);
    const { localName, id, classList, parentElement } = element;
    const own = [
      ...(id && stays(id) ? ['#' + CSS.escape(id)] : []),
      localName,
      ...[...classList].filter(stays).map((name) => '.' + CSS.escape(name)),
    ];
    let selector = own.find(only);
    if (selector === undefined && parentElement) {
      const alike = [...parentElement.children].filter((each) => each.localName === localName);
      selector = selectorOf(parentElement) + ' > ' + localName +
        (alike.length > 1 ? ':nth-of-type(' + (alike.indexOf(element) + 1) + ')' : '');
    }
    known.set(element, selector ?? localName);
    return selector ?? localName;
  };
  const first = (selector) => {
    try {
      return document.querySelector(selector);
    } catch {
      return null;
    }
  };
  globalThis.orbis = ${JSON.stringify(selectors)}.map((selector) => ({ element: first(selector), selector }));
  // What somebody has named already keeps that name; several in one cannot lead on.
  for (const { element, selector } of orbis)
    if (element && !selector.includes(',')) known.set(element, selector);
  const holders = new Set(${JSON.stringify(holders)}.split(' '));
  let [seen, offered] = [0, 0];
  for (const element of ${offers ? `document.querySelectorAll('body, body *')` : '[]'}) {
    if (++seen > ${mostSeen} || offered >= ${mostOffered}) break;
    const { width, height } = element.getBoundingClientRect();
    if (!holders.has(element.localName) || width < ${narrowest} || height < ${lowest}) continue;
    if (getComputedStyle(element).display.startsWith('inline')) continue;
    const selector = selectorOf(element);
    if (selector.length > 300) continue;
    orbis.push({ element, selector });
    offered += 1;
  }
})()`;

const namesOfRemembered = `orbis.map(({ element, selector }) => ({
  selector,
  words: [...(element?.innerText ?? '').slice(0, 1000).trim().replace(/\\s+/g, ' ')].slice(0, 60).join(''),
}))`;

/* How wide the inside of each is, without its padding. */
const roomsOfRemembered = `orbis.map(({ element }) => {
  if (!element || element.getClientRects().length === 0) return null;
  const { paddingLeft, paddingRight, visibility } = getComputedStyle(element);
  const room = Math.floor(element.clientWidth - parseFloat(paddingLeft) - parseFloat(paddingRight));
  return visibility === 'visible' && room >= 1 ? Math.min(room, 9999) : null;
})`;

const boxesOfRemembered = `orbis.map(({ element }) => {
  if (!element || element.getClientRects().length === 0) return null;
  const { left, top, width, height } = element.getBoundingClientRect();
  const whole = (side) => Math.max(0, Math.round(side));
  return { left: whole(left + scrollX), top: whole(top + scrollY), width: whole(width), height: whole(height) };
})`;
