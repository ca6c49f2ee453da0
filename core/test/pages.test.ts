import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { harvest } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import { pages } from './expected-pages.ts';

const sheets = builtInSheets();
const saved = (name: string): string =>
  readFileSync(new URL(`./pages/${name}.html`, import.meta.url), 'utf8');

describe('pages as they are out there', () => {
  for (const { page, embeds, optional } of pages) {
    const found = harvest(saved(page), { sheets, address: `https://hollin.example/${page}` }).embeds;

    it(`${page}: finds each embed, with all of its parts`, () => {
      const free = new Set(found);
      for (const wanted of embeds) {
        const hit = [...free].find(({ text }) => text.includes(wanted.has));
        expect(hit?.text, wanted.has).to.be.a('string');
        free.delete(hit!);
        for (const part of wanted.with ?? []) expect(hit!.text).to.include(part);
        if (wanted.kind) expect(hit!.reading.kind, wanted.has).to.equal(wanted.kind);
        if (wanted.heading) expect(hit!.heading?.text).to.equal(wanted.heading);
      }
    });

    it(`${page}: offers nothing else, and nothing of the site in a code`, () => {
      const wanted = [...embeds.map(({ has }) => has), ...optional];
      expect(found.filter(({ text }) => !wanted.some((has) => text.includes(has)))).to.deep.equal([]);
      for (const { text } of found) expect(text).not.to.match(/(?:src|href)="\/(?:css|js)\//);
    });
  }

  it('tells the site’s own films apart, and which embeds share a script', () => {
    const blog = harvest(saved('blog'), { sheets, address: 'https://hollin.example/blog' }).embeds;
    expect(blog.filter(({ isOwn }) => isOwn).map(({ text }) => text)).to.deep.equal([
      '<video controls src="/media/own.mp4"></video>',
    ]);
    expect(
      blog.map(({ text, sharesWith }) => [text.includes('murmurwell'), sharesWith]).filter(([is]) => is),
    ).to.deep.equal([
      [true, 1],
      [true, 1],
    ]);
  });
});
