import type { Condition } from '@orbis/core';
import type { Language } from '../language.ts';
import { conditions } from './options.ts';

const missingParts: Record<string, string> = {
  mount: 'element that a script fills',
  loader: 'script of its provider',
  setup: 'script that hands its options over',
  json: 'JSON where its provider takes it: what stands in that attribute is something else',
  address: 'address that could have a parameter',
};

/** Why an option cannot be fulfilled. */
export const problems = {
  'option-unknown': {
    title: 'No such option',
    detail: (f) =>
      `There is no option called “${f.found}”.${f.near ? ` Did you mean “${f.near}”?` : ''}${f.known ? ` There are: ${f.known}.` : ''}`,
  },
  'options-conflict': {
    title: 'Only one of them',
    detail: (f) =>
      `${f.setting} and ${f.other} both set the same thing, to different values. Take one of them out.`,
  },
  'no-sheet': {
    title: 'Provider not known',
    detail: (f) =>
      `${f.setting} cannot be set: no provider sheet knows this code, so Orbis does not know where its provider takes it.`,
  },
  'setting-not-offered': {
    title: 'Not offered',
    detail: (f) => `${f.provider} does not offer ${f.setting}.`,
  },
  'value-not-offered': {
    title: 'Value not offered',
    detail: (f) => `${f.provider} does not take that for ${f.setting}; it takes ${f.expected}.`,
  },
  'part-missing': {
    title: 'Part not there',
    detail: (f) =>
      `${f.setting} cannot be set: this code has no ${missingParts[String(f.part)] ?? 'frame or player'}.`,
  },
  'clip-order': {
    title: 'End before start',
    detail: (f) =>
      `The end (${f.end}) is not after the start (${f.start}). Set an end later than ${f.start}.`,
  },
  'sound-autoplay': {
    title: 'Sound and autoplay',
    detail: () => 'Browsers let nothing with sound play by itself. Leave “muted” on, or take “autoplay” out.',
  },
  'settings-exclude': {
    title: 'Only one of them',
    detail: (f) => `${f.provider} obeys only one of ${f.other} and ${f.setting}. Take one of them out.`,
  },
  'time-beyond': {
    title: 'Beyond its end',
    detail: (f) => `It is ${f.length} long: ${f.setting} ${f.at} is beyond its end.`,
  },
  'no-way-to-play': {
    title: 'Nothing starts it',
    detail: () =>
      'With its buttons hidden nobody can start it. Leave “controls” on, or let it play by itself, which it does without sound.',
  },
  'nothing-to-present': {
    title: 'No frame there',
    detail: () => 'There is no frame and no player in this code whose look could be changed.',
  },
  'widths-cross': {
    title: 'Widths that cross',
    detail: (f) =>
      `It cannot be at least ${f.least} px and at most ${f.most} px wide. Make the first one smaller, or the second larger.`,
  },
  'over-the-page': {
    title: 'Stands over the page',
    detail: () => 'A pop-up stands over the page and not in a place on it, so it has no width or side there.',
  },
  'fills-its-place': {
    title: 'Fills its place',
    detail: () =>
      'This code is as wide as its place, so there is nothing to move. Set max-width or share as well.',
  },
  'shape-unknown': {
    title: 'Shape not known',
    detail: () =>
      'Nothing in this code says its shape. Say it: shape=16:9, or shape=9:16 for an upright one.',
  },
  'own-wrapper': {
    title: 'Has a box of its own',
    detail: (f) =>
      `This code brings a box of its own (a ${f.element}) around the frame, which holds its shape. Leave “fit” out.`,
  },
  'needs-page-head': {
    title: 'Needs the head of the page',
    detail: (f) =>
      `What holds only ${conditions[f.when as Condition]} needs style rules in the head of its page. Say that the site has a way into it, and the page’s plan brings them.`,
  },
  'code-insists': {
    title: 'The code insists',
    detail: (f) =>
      `The code’s own ${f.property} is marked as important, which no rule in the head of the page wins over.`,
  },
} satisfies Language['problems'];
