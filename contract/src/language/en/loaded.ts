import type { Facts } from '@orbis/core';
import type { Language } from '../language.ts';
import { links } from './links.ts';

/* What is asked for at an address, at the beginning of a sentence. */
const things: Readonly<Record<string, string>> = {
  frame: 'The page in its frame',
  script: 'A script of it',
  stylesheet: 'A style sheet of it',
  image: 'A picture of it',
  media: 'Its film or sound',
  link: 'The page that it leads to',
  oembed: 'The answer about its link',
};
const thing = ({ use }: Facts): string => things[String(use)] ?? 'Something of it';

/* That more embeds than the one that is named have it. */
const others = ({ others: count }: Facts): string =>
  typeof count !== 'number' || count === 0
    ? ''
    : count === 1
      ? ' One more embed has it too.'
      : ` ${count} more embeds have it too.`;

/* Why a page does not let itself be framed, as a clause. */
const why = (f: Facts): string =>
  String(f.code) in links ? links[f.code as keyof typeof links](f) : String(f.code);

const kilobytes = (bytes: unknown): string => `${Math.round(Number(bytes) / 1000)} kB`;
const megabytes = (bytes: unknown): string => `${(Number(bytes) / 1e6).toFixed(1)} MB`;
const clock = (seconds: unknown): string => {
  const whole = Math.round(Number(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
};
const inDays = (days: unknown): string =>
  Number(days) < 0
    ? 'has ended'
    : Number(days) < 1
      ? 'ends within a day'
      : days === 1
        ? 'ends tomorrow'
        : `ends in ${String(days)} days`;

/** What is wrong with what placed embeds load from elsewhere. */
export const loadedFindings = {
  'resource-silent': {
    message: (f) => `${f.host} does not answer as it should: ${f.why}`,
    remedy: () =>
      'See in a browser whether its embeds show. Where it stays so, ask the provider, or pause what is placed of it.',
  },
  'resource-barred': {
    message: (f) => `${f.host} does not let Orbis look: it answers ${f.status}.`,
    remedy: () => 'See in a browser whether its embeds show; if they do, have this not told again.',
  },
  'resource-gone': {
    message: (f) => `${thing(f)} is not there any more: ${f.address} answers ${f.status}.${others(f)}`,
    remedy: () => 'Get the code anew from its provider, put something else in its place, or take it out.',
  },
  'resource-moved': {
    message: (f) => `${thing(f)} has moved for good: ${f.address} leads on to ${f.to}.${others(f)}`,
    remedy: () => 'It works as long as the old address leads on. Get the newer code from its provider.',
  },
  'resource-slow': {
    message: (f) => `${f.host} took more than five seconds to answer, twice in a row.`,
    remedy: () => 'Let its embeds load later, or after a click, so that your pages do not wait for it.',
  },
  'frame-refused': {
    message: (f) =>
      `${f.host} does not let its page be framed on your sites: ${why(f)}. Visitors see an empty box.`,
    remedy: () => 'Ask the provider for a code that is meant for your site, or put a link there instead.',
  },
  'certificate-ends': {
    message: (f) =>
      `The certificate of ${f.host} ${inDays(f.days)}. Browsers load nothing from there once it has.`,
    remedy: () => 'Where the host is yours, have it renewed; else its provider will, or has to be told.',
  },
  'script-resized': {
    message: (f) =>
      `${thing(f)} is another than it was: ${f.address} has ${kilobytes(f.now)} instead of ${kilobytes(f.before)}.${others(f)}`,
    remedy: () => 'See in the preview that it still does what it should.',
  },
  'code-renewed': {
    message: (f) => `${f.host} hands out another code for it now than the one that you collected.`,
    remedy: () => 'Compare the two; the newer one can be taken in, and everything you asked for stays.',
  },
  'clip-outside': {
    message: (f) =>
      Number(f.start) >= Number(f.length)
        ? `It is to play from ${clock(f.start)} on, and the film is only ${clock(f.length)} long.`
        : `It is to play up to ${clock(f.end)}, and the film is only ${clock(f.length)} long.`,
    remedy: () => 'Choose the part anew: the film may have been cut.',
  },
  'file-mistyped': {
    message: (f) =>
      f.is === '' || f.is === f.stated
        ? `Browsers will not play it: ${f.address} comes as ${f.stated === '' ? 'nothing in particular' : String(f.stated)}.${others(f)}`
        : `Browsers may not play it: ${f.address} comes as ${f.stated === '' ? 'nothing in particular' : String(f.stated)}, and is ${f.is}.${others(f)}`,
    remedy: () => 'Have the server of the file send it with its type, such as video/mp4.',
  },
  'file-without-ranges': {
    message: (f) =>
      `${f.host} sends films only from their beginning: nobody can skip in ${f.address}, and some browsers play nothing of it.${others(f)}`,
    remedy: () => 'Have the server answer requests for parts of a file (ranges).',
  },
  'file-too-large': {
    message: (f) =>
      `The film is larger than its largest spot shows: ${sizeOf(f)} for a spot that is ${f.room} px wide.${others(f)}`,
    remedy: (f) =>
      `${f.fitWidth} × ${f.fitHeight} px at about ${f.fitKilobits} kbit/s would do. The command line makes such a file of yours.`,
  },
  'captions-barred': {
    message: (f) =>
      `Its captions do not show: ${f.host} does not let your pages read ${f.address}.${others(f)}`,
    remedy: () =>
      'Have the server send Access-Control-Allow-Origin with them, or put the file on your own site.',
  },
} satisfies Language['findings'];

const sizeOf = ({ width, height, bytes, kilobits }: Facts): string =>
  [
    ...(width === null || height === null ? [] : [`${width} × ${height} px`]),
    ...(bytes === null ? [] : [megabytes(bytes)]),
    ...(kilobits === null ? [] : [`${kilobits} kbit/s`]),
  ].join(', ');

/** What the same findings are called in a word or two. */
export const loadedTitles = {
  'resource-silent': 'Does not answer',
  'resource-barred': 'Cannot be asked',
  'resource-gone': 'Gone',
  'resource-moved': 'Moved',
  'resource-slow': 'Slow',
  'frame-refused': 'Refuses to be framed',
  'certificate-ends': 'Certificate ends',
  'script-resized': 'Another script',
  'code-renewed': 'Newer code',
  'clip-outside': 'Longer than the film',
  'file-mistyped': 'Wrong type',
  'file-without-ranges': 'No skipping',
  'file-too-large': 'Too large',
  'captions-barred': 'Captions do not show',
} satisfies Language['findingTitles'];

/** Words for what embeds load. */
export const loaded = {
  uses: {
    frame: 'page in a frame',
    script: 'script',
    stylesheet: 'style sheet',
    image: 'picture',
    media: 'film or sound',
    captions: 'captions',
    link: 'link',
    oembed: 'answer about a link',
  },
  states: {
    waiting: 'not asked yet',
    well: 'well',
    unsure: 'asked again soon',
    faulty: 'something is wrong',
  },
  took: (milliseconds) =>
    milliseconds < 1000 ? `${milliseconds} ms` : `${(milliseconds / 1000).toFixed(1)} s`,
  summary: ({ resources, faulty }) =>
    `${resources === 1 ? 'one address' : `${resources} addresses`}, ${faulty === 0 ? 'all well' : `something wrong with ${faulty === 1 ? 'one' : faulty}`}`,
} satisfies Language['loaded'];
