import { readFileSync, writeFileSync } from 'node:fs';
import { expect } from 'chai';
import { builtInSheets } from '@orbis/sheets';
import { outputsOf, type Outputs } from './outputs.ts';

const kept = new URL('outputs.json', import.meta.url);

/* One line a code, so that a difference is seen as what it is. */
const written = (outputs: Outputs): string =>
  `{\n${Object.entries(outputs)
    .map(([name, byWords]) => `${JSON.stringify(name)}: ${JSON.stringify(byWords)}`)
    .join(',\n')}\n}\n`;

describe('what every code of the demo comes to, with every option', () => {
  it('is what it was: to change it on purpose, run this with KEEP_OUTPUTS=1 and read the difference', () => {
    const outputs = outputsOf(builtInSheets());
    if (process.env['KEEP_OUTPUTS']) writeFileSync(kept, written(outputs));
    const before = JSON.parse(readFileSync(kept, 'utf8')) as Outputs;
    expect(Object.keys(before).length).to.be.at.least(80);
    expect(Object.keys(outputs)).to.deep.equal(Object.keys(before));
    for (const [name, byWords] of Object.entries(outputs)) expect(byWords, name).to.deep.equal(before[name]);
  });
});
