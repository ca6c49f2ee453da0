import { expect } from 'chai';
import { z } from 'zod';
import { characterCount, key, label } from '@orbis/contract';

/* What is said of the first thing that does not fit. */
const said = (schema: z.ZodType, value: unknown): string | undefined =>
  schema.safeParse(value).error?.issues[0]?.message;

describe('what is said of a value that does not fit', () => {
  for (const [why, schema, value, words] of [
    ['a word of a list', z.enum(['video', 'map']), 'film', 'is “film”, which is none of these: video, map'],
    ['a number', z.coerce.number(), 'many', 'is not a number'],
    ['a whole number', z.number().int(), 7.5, 'is “7.5”, where a whole number is needed'],
    ['a switch', z.boolean(), 'no', 'is “no”, where true or false is needed'],
    ['one that is not there', z.string(), undefined, 'is missing'],
    ['an empty text', label(40), '  ', 'is empty'],
    ['a long text', label(3), 'abcd', 'has 4 characters, and 3 are the most'],
    ['a short text', z.string().min(3), 'a', 'has 1 character, and needs at least 3'],
    ['a long list', z.array(z.string()).max(1), ['a', 'b'], 'has 2 entries, and 1 is the most'],
    ['a small number', z.number().min(1), 0, 'is 0, and 1 is the least'],
    ['a large number', z.number().max(200), 500, 'is 500, and 200 is the most'],
    [
      'a key',
      key,
      'Two Words',
      'is “Two Words”, and should be lower-case letters and digits, with single hyphens between them',
    ],
    [
      'an address',
      z.url({ protocol: /^https?$/ }),
      'x',
      'is “x”, and should be a whole web address with https://',
    ],
    ['what is not known', z.strictObject({}), { colour: 1 }, 'has something that is not known here: colour'],
    ['either', z.union([z.string(), z.number()]), true, 'is “true”, which fits nothing that is taken here'],
  ] as [string, z.ZodType, unknown, string][])
    it(`is plain for ${why}`, () => expect(said(schema, value)).to.equal(words));

  it('counts characters as people do, and takes what has so many', () => {
    expect(characterCount('🌖🌗🌘')).to.equal(3);
    expect(said(label(3), '🌖🌗🌘')).to.equal(undefined);
    expect(said(label(3), '🌖🌗🌘!')).to.equal('has 4 characters, and 3 are the most');
  });
  it('shows no more of a long value than tells which it is', () => {
    expect(said(z.enum(['a']), 'x'.repeat(500))).to.include(`“${'x'.repeat(60)}…”`);
  });
});
