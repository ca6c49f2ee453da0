import type { Facts } from '../reason.ts';
import type { Kind } from '../reading/index.ts';
import { judgeClip } from '../resources/index.ts';
import type { SeenPlaced, SeenPlaying } from './seen-on-page.ts';

/** What a look at a page finds. */
export const seenRules = [
  'shows-nothing',
  'wider-than-window',
  'moves-page',
  'loads-early',
  'does-not-play',
  'starts-elsewhere',
  'plays-on',
  'film-ends-early',
  'much-smaller',
] as const;
export type SeenRule = (typeof seenRules)[number];

/** Whether a finding is of a look at a page, by its rule. */
export const isOfLook = (rule: string): boolean => (seenRules as readonly string[]).includes(rule);

/** Something that is wrong with what a browser saw of a placement. */
export interface SeenFinding {
  /** “much-smaller” only where two looks are held against each other. */
  rule: SeenRule;
  level: 'error' | 'warning' | 'note';
  facts: Facts;
}

/* These show themselves elsewhere, later, or not at all. */
const unseen: ReadonlySet<Kind> = new Set(['popup', 'counter', 'share', 'advert', 'unknown']);

/* From here on visitors lose the line that they read: a tenth of the window, by a tenth of its height. */
const muchMoved = 0.1;

/* Players find the nearest picture that they have whole, and take a moment to begin, in seconds. */
const tolerance = 3;

/** Judges what a browser saw of a placement: of several windows each thing once, with the widths. */
export function judgeSeen(seen: SeenPlaced): SeenFinding[] {
  if (!seen.isThere) return [];
  return [...nothing(seen), ...tooWide(seen), ...moving(seen), ...early(seen), ...playing(seen)];
}

function nothing({ kind, widths }: SeenPlaced): SeenFinding[] {
  if (unseen.has(kind)) return [];
  const empty = widths.filter(({ shows, box }) => box === null || shows === false);
  if (empty.length === 0) return [];
  return [
    {
      rule: 'shows-nothing',
      level: empty.length === widths.length ? 'error' : 'warning',
      facts: { widths: listed(empty), everywhere: empty.length === widths.length },
    },
  ];
}

function tooWide({ widths }: SeenPlaced): SeenFinding[] {
  const over = widths.flatMap(({ width, box }) => {
    const by = box === null ? 0 : Math.round(box.left + box.width - width);
    return by > 0 ? [{ width, by }] : [];
  });
  const [worst] = [...over].sort((a, b) => b.by - a.by);
  return worst
    ? [{ rule: 'wider-than-window', level: 'warning', facts: { widths: listed(over), by: worst.by } }]
    : [];
}

function moving({ widths }: SeenPlaced): SeenFinding[] {
  const much = widths.filter(({ moved }) => moved > muchMoved);
  if (much.length === 0) return [];
  const most = Math.max(...much.map(({ moved }) => moved));
  return [
    { rule: 'moves-page', level: 'warning', facts: { widths: listed(much), moved: Math.round(most * 100) } },
  ];
}

function early({ waits, hostsBefore }: SeenPlaced): SeenFinding[] {
  const [host, ...others] = hostsBefore;
  if (!waits || host === undefined) return [];
  return [{ rule: 'loads-early', level: 'error', facts: { host, others: others.length } }];
}

function playing({ playing: seen, clip }: SeenPlaced): SeenFinding[] {
  if (seen === null) return [];
  if (seen.began === 'never') return [{ rule: 'does-not-play', level: 'error', facts: {} }];
  const short = tooShort(seen, clip);
  return short ? [short] : [...elsewhere(seen, clip.start), ...on(seen, clip.end)];
}

function elsewhere({ from }: SeenPlaying, start: number | null): SeenFinding[] {
  if (start === null || from === null || Math.abs(from - start) <= tolerance) return [];
  return [{ rule: 'starts-elsewhere', level: 'warning', facts: { from: Math.round(from), start } }];
}

/* The part that is asked for is not there any more, or its end is not. */
function tooShort({ length }: SeenPlaying, { start, end }: SeenPlaced['clip']): SeenFinding | null {
  const outside = length === null ? null : judgeClip({ start: start ?? 0, end }, length);
  if (outside === null) return null;
  return { rule: 'film-ends-early', level: outside.level, facts: outside.facts };
}

const on = ({ stops }: SeenPlaying, end: number | null): SeenFinding[] =>
  end !== null && stops === false ? [{ rule: 'plays-on', level: 'warning', facts: { end } }] : [];

const listed = (at: readonly { width: number }[]): string => at.map(({ width }) => width).join(', ');
