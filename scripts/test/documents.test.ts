import { readdirSync, readFileSync } from 'node:fs';
import { expect } from 'chai';
import { listServiceSettings } from '@orbis/contract';
import { allOptions, builtInPresets, deviceOf } from '@orbis/core';
import { staleDocuments } from '../docs.ts';
import { optionLooks } from '../looks/options.ts';

const top = new URL('../../', import.meta.url);
const readme = readFileSync(new URL('README.md', top), 'utf8');

describe('the documents', () => {
  it('say what the code says (npm run docs renews them)', () => expect(staleDocuments()).to.deep.equal([]));

  it('list every setting of the service in the README', () => {
    for (const { name } of listServiceSettings()) expect(readme).to.include(`| \`${name}\` |`);
  });

  it('show every picture that there is, and no other', () => {
    const pictures = readdirSync(new URL('docs/screenshots/', top)).sort();
    const shown = [...readme.matchAll(/docs\/screenshots\/([\w-]+\.png)/g)].map((found) => found[1]!);
    expect([...new Set(shown)].sort()).to.deep.equal(pictures);
    expect(pictures.length).to.be.below(20);
  });

  it('show how each option of presentation looks, and how each preset does (npm run looks draws them)', () => {
    const looks = optionLooks(0);
    const own = allOptions.filter(({ name, stage }) => stage === 'presentation' && deviceOf(name) === null);
    expect(Object.keys(looks).sort()).to.deep.equal(own.map(({ name }) => name).sort());
    const drawn = (folder: string): string[] => readdirSync(new URL(folder, top)).sort();
    expect(drawn('docs/looks/')).to.deep.equal(
      Object.entries(looks)
        .flatMap(([name, look]) => (look ? [`${name}.webp`] : []))
        .sort(),
    );
    expect(drawn('console/src/embed/presets/pictures/')).to.deep.equal(
      builtInPresets.map(({ key }) => `${key}.webp`).sort(),
    );
  });

  it('have something that runs before line 45', () => {
    const lines = readme.split('\n').slice(0, 45).join('\n');
    expect(lines).to.include('npm run demo').and.include('npm test');
  });
});
