import { expect } from 'chai';
import { parseSheet, SheetInvalid, spoken } from '@orbis/contract';

/* What is wrong, where, and what is said of it. */
const faults: readonly [text: string, line: number, column: number, code: keyof typeof spoken.yamlFaults][] =
  [
    ['id: a\nid: b\n', 2, 1, 'DUPLICATE_KEY'],
    ['id: "a\n', 2, 1, 'MISSING_CHAR'],
    ['hosts: [a, b\n', 2, 1, 'BAD_INDENT'],
    ['{"id": "a" "name": "b"}', 1, 12, 'UNEXPECTED_TOKEN'],
    ['code:\n\taddress: x\n', 2, 1, 'TAB_AS_INDENT'],
    ['id: a: b\n', 1, 5, 'BLOCK_AS_IMPLICIT_KEY'],
    ['id: @a\n', 1, 5, 'BAD_SCALAR_START'],
    ['id: a\n---\nid: b\n', 2, 1, 'MULTIPLE_DOCS'],
    ['id: "\\q"\n', 1, 6, 'BAD_DQ_ESCAPE'],
  ];

describe('the file of a sheet', () => {
  for (const [text, line, column, code] of faults)
    it(`is told in words of ours where it is ${code}`, () => {
      let thrown: unknown = null;
      try {
        parseSheet(text, 'own.yaml');
      } catch (error) {
        thrown = error;
      }
      expect(thrown).to.be.instanceOf(SheetInvalid);
      const [first] = (thrown as SheetInvalid).faults;
      expect(first).to.deep.equal({ path: '', line, column, problem: spoken.yamlFaults[code] });
    });
});
