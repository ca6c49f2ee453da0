import type { Language } from '../language.ts';

const list = new Intl.ListFormat('en', { type: 'conjunction' });

/** What became of a piece of a specimen, and what only the owner can say of an editor. */
export const editor = {
  pieces: {
    'kept': ({ name, lost }) =>
      lost.length === 0
        ? `${name} comes through as it is.`
        : `${name} comes through without ${list.format(lost)}.`,
    'taken-out': ({ name }) => `${name} is taken out.`,
    'shown-as-text': ({ name }) => `${name} is shown as text.`,
    'made-of-it': () => 'Of a link alone the editor makes something that visitors see.',
  },
  questions: {
    'first-line': () =>
      'All of it is shown as text: does the editor want a line of its own before a code, or another field for it? Say so, and publish the specimen once more.',
    'head': () => 'Is there a way into the heads of its pages?',
    'delay': () => 'How many minutes does it take until what was published can be seen?',
    'shows-unpublished': () => 'Does the editor show embeds before they are published?',
  },
} satisfies Language['editor'];
