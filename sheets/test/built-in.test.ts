import { expect } from 'chai';
import { parseSheet, SheetInvalid } from '@orbis/contract';
import { codeFromLink, matchFrame, matchLink, read } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';

describe('the provider sheets that Orbis ships', () => {
  const sheets = builtInSheets();

  it('are there', () => expect(sheets.map((sheet) => sheet.id)).to.include('kinorill'));

  for (const sheet of sheets) {
    it(`${sheet.id} makes a code of each of its links that it knows again itself`, () => {
      for (const { hostname, pathname } of sheet.links) {
        const match = matchLink(`https://${hostname}${pathname.replace(':id', 'a1B2')}`, sheets);
        expect(match, pathname).to.include({ id: 'a1B2' });
        const reading = read(codeFromLink(match!), { sheets });
        expect(reading).to.deep.include({
          provider: { id: sheet.id, name: sheet.name },
          kind: sheet.kind,
          findings: [],
        });
        if (sheet.frames.length > 0)
          expect(matchFrame(reading.addresses[0]!.url, sheets)!.id).to.equal('a1B2');
      }
    });
  }

  it('are refused with the file and the place where they do not follow the schema', () => {
    expect(() => parseSheet('{', 'x.json')).to.throw(SheetInvalid, /^x\.json:1:2: the whole: /);
    expect(() =>
      parseSheet(
        JSON.stringify({
          ...sheets[0],
          hosts: [''],
          settings: { start: { in: 'body', name: 'x', format: 'seconds' } },
        }),
        'x.json',
      ),
    ).to.throw(SheetInvalid, /^x\.json:1:\d+: hosts\/0: .*\nx\.json:1:\d+: settings\/start\/in: /);
  });
});
