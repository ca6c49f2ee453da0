import type { Facts } from '@orbis/core';
import type { Language } from '../language.ts';
import { loadedFindings } from './loaded.ts';

const devices: Readonly<Record<string, string>> = { 390: 'a phone', 768: 'a tablet', 1280: 'a desktop' };

/* On which of them, of a list of widths: “on a phone and a tablet”. */
function on({ widths }: Facts): string {
  const names = String(widths)
    .split(', ')
    .map((width) => devices[width] ?? `${width} px`);
  const last = names.pop()!;
  return `on ${names.length === 0 ? last : `${names.join(', ')} and ${last}`}`;
}

const clock = (seconds: unknown): string => {
  const whole = Math.round(Number(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
};

/** What is wrong with what a browser saw of what is placed. */
export const seenFindings = {
  'shows-nothing': {
    message: (f) =>
      f.everywhere === true
        ? 'Visitors see nothing of it: where it stands, the page is empty.'
        : `Visitors see nothing of it ${on(f)}.`,
    remedy: () => 'Look at the picture. Something on the page may hide it, or its provider shows nothing.',
  },
  'wider-than-window': {
    message: (f) => `It is ${f.by} px wider than the window ${on(f)}: visitors have to push the page aside.`,
    remedy: () => 'Make it fit its spot: with a greatest width, or a shape that it keeps.',
  },
  'moves-page': {
    message: (f) => `While it loads, what visitors read jumps ${on(f)}.`,
    remedy: () => 'Keep room for it: with its height, or a shape that it keeps.',
  },
  'loads-early': {
    message: (f) =>
      `It loads something from ${f.host}${f.others === 0 ? '' : f.others === 1 ? ' and one more host' : ` and ${f.others} more hosts`} before anybody has clicked or agreed, though it is to wait.`,
    remedy: () => 'See whether its code stands on the page a second time, or something else there loads it.',
  },
  'does-not-play': {
    message: () => 'It does not play, also when it is pressed.',
    remedy: () =>
      'Try it in your own browser. Its provider may have taken the film away, or ask who is there.',
  },
  'starts-elsewhere': {
    message: (f) => `It begins at ${clock(f.from)} instead of ${clock(f.start)}.`,
    remedy: () => 'Check the time at which it is to begin; its provider may not know that any more.',
  },
  'plays-on': {
    message: (f) => `It plays on behind ${clock(f.end)}, where it is to stop.`,
    remedy: () => 'Its provider may not know that any more; a newer code may.',
  },
  'film-ends-early': loadedFindings['clip-outside'],
  'much-smaller': {
    message: (f) => `It is much smaller than it was ${on(f)}: ${f.was} px then, ${f.is} px now.`,
    remedy: () => 'Hold the two pictures against each other: something around it on the page has changed.',
  },
} satisfies Language['findings'];

/** What the same findings are called in a word or two. */
export const seenTitles = {
  'shows-nothing': 'Shows nothing',
  'wider-than-window': 'Too wide',
  'moves-page': 'Makes the page jump',
  'loads-early': 'Loads too early',
  'does-not-play': 'Does not play',
  'starts-elsewhere': 'Begins elsewhere',
  'plays-on': 'Plays on',
  'film-ends-early': 'Film ends early',
  'much-smaller': 'Much smaller',
} satisfies Language['findingTitles'];

const at = (host: unknown): string => (host === '' ? 'somewhere' : String(host));
const times = (count: number, what: string): string => `${count} ${what}${count === 1 ? '' : 's'}`;

/** Words for what a browser saw. */
export const looks = {
  devices: { 390: 'Phone', 768: 'Tablet', 1280: 'Desktop' },
  complaints: {
    'frame-refused': (f) => `${at(f.host)} does not let its page be framed here.`,
    'kept-out': (f) => `The page’s own rules (its policy) keep out something from ${at(f.host)}.`,
    'mixed': (f) => `Something is loaded from ${at(f.host)} without encryption, which browsers refuse.`,
    'not-loaded': (f) =>
      f.text === ''
        ? `Something from ${at(f.host)} could not be loaded.`
        : `Something from ${at(f.host)} could not be loaded: it answers ${f.text}.`,
    'broke': (f) => `A script of ${at(f.host)} broke: “${f.text}”.`,
    'said': (f) => `A script of ${at(f.host)} says: “${f.text}”.`,
  },
  size: (box) => (box === null ? 'has no size' : `${box.width} × ${box.height} px`),
  shows: (shows, box) =>
    box === null ? 'not to be seen' : shows === null ? 'below the picture' : shows ? 'shows' : 'empty',
  moved: (moved) =>
    moved < 0.005 ? 'nothing jumps' : moved > 0.1 ? 'the page jumps much' : 'the page jumps a little',
  loads: ({ requests, size }) => (requests === 0 ? 'nothing' : `${size} in ${times(requests, 'request')}`),
  playing: ({ began, from, stops }) => {
    if (began === 'never') return 'It did not play.';
    const where = from === null ? '' : ` at ${clock(from)}`;
    const start =
      began === 'by-itself' ? `It played by itself${where}` : `It played when it was pressed${where}`;
    return stops === null
      ? `${start}.`
      : `${start}, and ${stops ? 'stopped' : 'did not stop'} where it is to.`;
  },
  sent: ({ isSent, host, fields }) =>
    isSent
      ? `Its form sends ${fields.length === 0 ? 'nothing in particular' : fields.map((name) => `“${name}”`).join(', ')} to ${at(host ?? '')}.`
      : 'Its form did not send anything.',
} satisfies Language['looks'];
