import { readdirSync, readFileSync } from 'node:fs';
import { expect } from 'chai';
import { listServiceSettings } from '@orbis/contract';
import { staleDocuments } from '../docs.ts';

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

  it('have something that runs before line 45', () => {
    const lines = readme.split('\n').slice(0, 45).join('\n');
    expect(lines).to.include('npm run demo').and.include('npm test');
  });
});
