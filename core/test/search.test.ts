import { expect } from 'chai';
import fc from 'fast-check';
import { parseSearch, SearchError, searchFields, type SearchField, type SearchTerm } from '@orbis/core';
import { formatSearchProblem } from '@orbis/contract';

/** Writes a search down again, as an oracle. */
function write(term: SearchTerm): string {
  const quoted = (text: string): string => `"${text.replaceAll(/["\\]/g, '\\$&')}"`;
  if ('all' in term) return `(${term.all.map(write).join(' ')})`;
  if ('any' in term) return `(${term.any.map(write).join(' or ')})`;
  if ('not' in term) return `-${write(term.not)}`;
  if ('word' in term) return quoted(term.word);
  return `${term.field}=${term.values.map(quoted).join(',')}`;
}

describe('the search language', () => {
  for (const [text, tree] of [
    ['', { all: [] }],
    ['kind=video', { field: 'kind', values: ['video'] }],
    [
      'kind=video,audio host="a b"',
      {
        all: [
          { field: 'kind', values: ['video', 'audio'] },
          { field: 'host', values: ['a b'] },
        ],
      },
    ],
    ['moor "night log"', { all: [{ word: 'moor' }, { word: 'night log' }] }],
    [
      'KIND = map or tag!=talks',
      { any: [{ field: 'kind', values: ['map'] }, { not: { field: 'tag', values: ['talks'] } }] },
    ],
    [
      '-(a or b) -tag=x',
      { all: [{ not: { any: [{ word: 'a' }, { word: 'b' }] } }, { not: { field: 'tag', values: ['x'] } }] },
    ],
    [
      'option=max-width level=ERROR',
      {
        all: [
          { field: 'option', values: ['max-width'] },
          { field: 'level', values: ['error'] },
        ],
      },
    ],
    [
      'kind=video and tag=talks AND (a or b)',
      {
        all: [
          { field: 'kind', values: ['video'] },
          { field: 'tag', values: ['talks'] },
          { any: [{ word: 'a' }, { word: 'b' }] },
        ],
      },
    ],
    ['"and"', { word: 'and' }],
    ['night-log', { word: 'night-log' }],
    ['what!now', { word: 'what!now' }],
    ['name="say \\"hi\\""', { field: 'name', values: ['say "hi"'] }],
  ] as [string, SearchTerm][])
    it(`reads ${JSON.stringify(text)}`, () => expect(parseSearch(text)).to.deep.equal(tree));

  for (const [text, column, said] of [
    ['kind=', 6, 'A value is missing'],
    ['kind=video,', 12, 'A value is missing'],
    ['colour=red', 1, 'no field “colour”'],
    ['kind=video (tag=a', 12, 'never closed'],
    ['a) b', 2, 'never opened'],
    ['a or', 5, 'missing here'],
    ['or a', 1, 'missing here'],
    ['()', 2, 'missing here'],
    ['name="x', 6, 'quotes that open here'],
    ['placed=maybe', 8, 'yes, no'],
    ['=x', 1, 'cannot stand here'],
    ['a and', 6, 'missing here'],
    ['and a', 1, 'cannot stand here'],
    ['kind=film', 6, 'video, audio'],
    ['a -', 3, 'missing behind'],
    ['('.repeat(30) + 'a' + ')'.repeat(30), 21, 'nest at most'],
  ] as const)
    it(`points at column ${column} of ${JSON.stringify(text.slice(0, 30))}`, () => {
      expect(() => parseSearch(text))
        .to.throw(SearchError)
        .that.satisfies((error: SearchError) => formatSearchProblem(error.problem).includes(said))
        .with.property('column', column);
    });

  it('reads what it writes', () => {
    const fields = (Object.keys(searchFields) as SearchField[]).filter(
      (field) => !['placed', 'retired', 'level', 'kind'].includes(field),
    );
    const { tree } = fc.letrec<{ tree: SearchTerm }>((tie) => ({
      tree: fc.oneof(
        { depthSize: 'small' },
        fc.string({ minLength: 1 }).map((word): SearchTerm => ({ word })),
        fc.record({
          field: fc.constantFrom(...fields),
          values: fc.array(fc.string({ minLength: 1 }), { minLength: 1, maxLength: 3 }),
        }),
        tie('tree').map((not): SearchTerm => ({ not })),
        fc.array(tie('tree'), { minLength: 2, maxLength: 3 }).map((all): SearchTerm => ({ all })),
        fc.array(tie('tree'), { minLength: 2, maxLength: 3 }).map((any): SearchTerm => ({ any })),
      ),
    }));
    fc.assert(
      fc.property(tree, (term) => {
        const text = write(term);
        if (text.length < 2000) expect(parseSearch(text)).to.deep.equal(term);
      }),
      { seed: 7, numRuns: 400 },
    );
  });

  it('never fails otherwise than by saying where', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc
            .array(fc.constantFrom('(', ')', '-', 'or', 'and', '=', '!=', ',', '"', 'kind', ' ', 'a'))
            .map((parts) => parts.join('')),
        ),
        (text) => {
          try {
            parseSearch(text);
          } catch (error) {
            expect(error).to.be.instanceOf(SearchError);
            expect((error as SearchError).column).to.be.within(1, text.length + 1);
          }
        },
      ),
      { seed: 8, numRuns: 2000 },
    );
  });
});
