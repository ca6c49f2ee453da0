import type { Language } from '../language.ts';

/** The search language. */
export const search = {
  fields: {
    kind: 'What it is: video, map, form …',
    provider: 'The id of its provider’s sheet',
    host: 'A host that its code contacts',
    tag: 'One of its tags',
    name: 'A piece of its name',
    key: 'Its key',
    level: 'The worst that was found: error, warning, note',
    option: 'An option that is asked of it',
    placed: 'Whether it is placed anywhere: yes or no',
    retired: 'Whether it is retired: yes or no; without it, retired ones are found too',
  },
  problems: {
    'search-too-long': (f) => `A search has at most ${f.most} characters.`,
    'term-missing': () => 'Something to look for is missing here.',
    'nothing-behind-minus': () => 'What must not hold is missing behind the “-”.',
    'brackets-too-deep': (f) => `Brackets nest at most ${f.most} deep.`,
    'bracket-not-closed': () => 'The bracket that opens here is never closed.',
    'bracket-not-opened': () => 'This bracket was never opened.',
    'cannot-stand-here': (f) => `“${f.found}” cannot stand here.`,
    'field-unknown': (f) => `There is no field “${f.found}”. There are: ${f.known}.`,
    'value-missing': () => 'A value is missing here. Put one with blanks into quotes.',
    'no-such-value': (f) => `“${f.found}” is not a value of ${f.field}; there are: ${f.known}.`,
    'only-plain': (f) =>
      `This list is searched by a value for each field, all of which must hold: ${f.fields}.`,
    'quotes-not-closed': () => 'The quotes that open here are never closed.',
  },
} satisfies Language['search'];
