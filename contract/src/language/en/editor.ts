import type { Language } from '../language.ts';

const list = new Intl.ListFormat('en-GB', { type: 'conjunction' });

/* What is no element’s name is told in words. */
const called = (name: string): string =>
  name === '<!-- -->' ? 'comments' : name === '<x-specimen>' ? 'elements that nobody knows' : name;
const listed = (names: readonly string[]): string => list.format(names.map(called));

/** What became of a piece of a specimen, and what only the owner can say of an editor. */
export const editor = {
  kept: ({ name, lost, changed }) =>
    [
      ...(lost.length > 0 ? [`${name} comes through without ${list.format(lost)}.`] : []),
      ...changed.map((each) => `Of ${name}, ${each.name} is “${each.now}” there.`),
    ].join(' '),
  together: {
    'taken-out': (names) => `Taken out: ${listed(names)}.`,
    'shown-as-text': (names) => `Shown as text: ${listed(names)}.`,
    'made-of-it': () => 'Of a link alone the editor makes a frame.',
  },
  meaning: ({ code, scripts, frames, links, names }) => {
    if (!code)
      return links
        ? 'This editor takes links alone. Orbis hands out a link to each embed, and the editor makes of it what visitors see.'
        : 'This editor shows all of it as text.';
    if (scripts && frames)
      return names
        ? 'This editor lets scripts and frames through: nearly every code can stand as it is.'
        : 'This editor lets scripts and frames through, but takes away what scripts find their places by. Orbis hands out what has a script in a frame of its own.';
    if (frames)
      return 'This editor takes scripts out and lets frames through. Orbis hands out what needs a script in a frame of its own.';
    return scripts
      ? 'This editor takes frames out and lets scripts through. Orbis hands out what needs a frame as a link.'
      : 'This editor takes scripts and frames out. Orbis hands out a link to what they show.';
  },
  questions: {
    'first-line': () =>
      'All of it is shown as text: does the editor want a line of its own before a code, or another field for it? Say so, and publish the specimen once more.',
    'head': () => 'Is there a way into the heads of its pages?',
    'delay': () => 'How many minutes does it take until what was published can be seen?',
    'shows-unpublished': () => 'Does the editor show embeds before they are published?',
  },
  takenNames: ({ which, names }) => {
    if (which === 'these') return names.length === 0 ? 'nothing' : list.format(names);
    return names.length === 0 ? 'all' : `all but ${list.format(names)}`;
  },
  working: ({ delay, showsUnpublished }) =>
    [
      ...(showsUnpublished === false ? ['The editor shows nothing of an embed before you publish.'] : []),
      ...(delay > 0
        ? [`What you publish can be seen after ${delay} ${delay === 1 ? 'minute' : 'minutes'}.`]
        : []),
    ].join(' '),
} satisfies Language['editor'];
