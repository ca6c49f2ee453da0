import type { Language } from '../language.ts';
import { kindNames } from './kinds.ts';

/* A kind is told of by its id. */
const namesOf = (kind: unknown): { one: string; many: string } => kindNames[kind as keyof typeof kindNames];
const many = (kind: unknown): string => namesOf(kind).many;
const one = (kind: unknown): string => namesOf(kind).one;

/* Where a word of a trade stands. */
const stands: Record<string, string> = {
  step: 'its address says',
  host: 'its host is called',
  query: 'its address asks for',
  names: 'its elements are called',
  title: 'its title says',
  text: 'visitors read',
  script: 'its script says',
};

/** What a mending does. */
export const mends = {
  'close-element': (f) => `The ${f.element} is closed where it was left open.`,
  'type-of-ending': (f) => `The type is that of files ending in .${f.ending}.`,
  'use-https': () => 'http: becomes https:, which every browser lets through.',
  'time-becomes-start': (f) => `The link’s time becomes the start, as ${f.provider} takes it.`,
  'show-buttons': () => 'With its buttons shown, people can start it.',
  'play-in-place': () => 'With playsinline, phones play it in its place.',
  'join-parameters': () => 'Parameters after the first are joined with &.',
  'begin-parameters': () => 'The first parameter is begun with a question mark.',
  'height-of-shape': (f) => `${f.width} wide in the shape ${f.shape} is ${f.wanted} high.`,
  'play-without-sound': () => 'Without sound, browsers let it play by itself.',
  'take-blanks-out': () =>
    'An address has no blanks: those around it are taken off, one inside is written %20.',
  'take-tracking-out': (f) => `${f.name} only follows people; it is taken out.`,
  'take-word-out': (f) => `Without the word ${f.name} it is off, as “${f.value}” was meant.`,
  'address-belongs-in': (f) => `The address is put into ${f.attribute}, where ${f.element} takes it.`,
  'write-as': (f) => `“${f.found}” is written “${f.meant}”.`,
  'code-block-off': () => 'The marks of a code block around it are taken off.',
  'code-word-off': () => 'The marks of a code word around it are taken off.',
  'text-becomes-code': (f) =>
    `Code that was written as text ${f.times === 1 ? '' : f.times === 2 ? 'twice over ' : 'three times over '}becomes code again.`,
  'plain-blanks': () => 'Blanks that belong in texts become plain ones, and unseen characters go.',
  'escape-once': () => 'Each & is written once as &amp;.',
  'program-text-becomes-code': () => 'Code that was written as a text of a program becomes code again.',
  'straight-quotes': () =>
    'Typographic quotes become straight ones: browsers take the others for a part of the value.',
  'close-last-tag': () => 'The last tag is closed.',
} satisfies Language['mends'];

/** What speaks for the kind of a code. */
export const evidence = {
  'of-provider': (f) => `its ${f.what} comes from ${f.provider}, a provider of ${many(f.kind)}`,
  'link-of-nobody': () => 'it is a link, and no provider sheet knows links like it',
  'link-to-file': (f) => `it is a link to a file whose ending is one of ${many(f.kind)}`,
  'link-to-page': () => 'it is a link to a page, which is shown in a frame',
  'link-to-provider': (f) => `it is a link to ${f.provider}, a provider of ${many(f.kind)}`,
  'names-provider': (f) => `it names ${f.provider}, a provider of ${many(f.kind)}`,
  'nothing-there': () => 'there is nothing in it',
  'code-as-text': () => 'it is code that was written as text',
  'no-code-there': () => 'it is text, not code',
  'too-much-to-read': () => 'it was not read, because it is too much',
  'is-frame': () => 'it holds another page',
  'is-picture': () => 'it is nothing but a picture',
  'shows-nothing': () => 'it has no frame, player, form or picture of its own',
  'too-little-evidence': () => 'too little tells what it shows',
  'could-be-either': (f) => `it could be ${one(f.kind)} as well as ${one(f.other)}`,
  'no-evidence': () => 'nothing tells what it shows',
  'word-of-trade': (f) => `${stands[String(f.where)] ?? 'it says'} “${f.word}” (a word for ${many(f.kind)})`,
  'is-video': () => 'there is a video player in it',
  'is-audio': () => 'there is a player for sound in it',
  'video-file': () => 'it leads to a video file',
  'audio-file': () => 'it leads to an audio file',
  'document-file': () => 'it leads to a document',
  'is-form': () => 'there is a form in it',
  'asks-mail': () => 'it asks for a mail address',
  'gives-coordinates': () => 'its address gives latitude and longitude',
  'has-zoom-and-place': () => 'it has a zoom and a place',
  'asks-place': () => 'it asks for the visitor’s place',
  'asks-to-play': () => 'it asks to play by itself or picture in picture',
  'asks-to-play-low': () => 'it asks to play by itself and is no higher than a player for sound',
  'video-shape': () => 'it has the shape of a video and asks to fill the screen',
  'asks-payment-for-time': () => 'it asks to take payments for a time',
  'asks-payment': () => 'it asks to take payments',
  'is-dialog': () => 'it is a window over the page (dialog)',
  'mail-to-nobody': () => 'it writes a mail and leaves open to whom',
  'is-quotation': () => 'it is a quotation of what somebody posted, filled by a script',
  'counts-silently': () =>
    'it is a picture of one pixel or a script that writes, with a picture for whoever has no scripts',
  'page-inside-address': () => 'its address has the address of a page in it',
  'advert-size': () => 'it has one of the fixed sizes of adverts',
} satisfies Language['evidence'];
