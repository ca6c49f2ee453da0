import { expect } from 'chai';
import fc from 'fast-check';
import { XMLParser } from 'fast-xml-parser';
import { SyntaxValidator } from 'fast-xml-validator';
import { atomFeed, type Feed, type FeedEntry } from '@orbis/core';

const entry: FeedEntry = {
  id: 'https://orbis.example/api/v1/changes/a',
  title: 'Placed opening-talk in hollinfell/talks#opening',
  published: '2026-11-29T08:00:00.000Z',
  updated: '2026-11-29T09:00:00.000Z',
  author: 'Ada',
  category: 'placed',
};
const feed: Feed = {
  address: 'https://orbis.example/api/v1/changes.atom',
  title: 'What was done',
  page: 'https://orbis.example/done',
  generator: { name: 'Orbis', version: '1.2.3' },
  entries: [entry],
  next: null,
  now: '2026-11-29T12:00:00.000Z',
};

interface Read {
  updated: string;
  link: { rel: string; href: string }[];
  entry?: {
    id: string;
    title: string;
    updated: string;
    author: { name: string };
    category: { term: string };
  }[];
}
const read = (text: string): Read => {
  expect(SyntaxValidator.validate(text), text).to.equal(true);
  const parser = new XMLParser({
    ...{ ignoreAttributes: false, attributeNamePrefix: '', trimValues: false, parseTagValue: false },
    isArray: (name) => name === 'entry' || name === 'link',
  });
  return (parser.parse(text) as { feed: Read }).feed;
};

describe('a feed in Atom', () => {
  it('has an id, a title, and when it was last changed, of itself and of each entry (RFC 4287, section 4.1)', () => {
    const text = atomFeed(feed);
    expect(text).to.match(
      /^<\?xml version="1\.0" encoding="utf-8"\?>\n<feed xmlns="http:\/\/www\.w3\.org\/2005\/Atom">/,
    );
    const { updated, entry: entries, link } = read(text);
    expect(updated).to.equal('2026-11-29T09:00:00.000Z');
    expect(entries).to.have.length(1);
    expect(entries![0]).to.deep.include({
      ...{ id: entry.id, title: entry.title, updated: '2026-11-29T09:00:00.000Z' },
      category: { term: 'placed' },
    });
    expect(entries![0]!.author.name).to.equal('Ada');
    expect(link.map(({ rel, href }) => [rel, href])).to.deep.equal([
      ['self', feed.address],
      ['alternate', feed.page],
    ]);
  });

  it('says where it goes on, and is a feed without entries, too', () => {
    const next = `${feed.address}?after=7&x="`;
    expect(read(atomFeed({ ...feed, next })).link.find(({ rel }) => rel === 'next')?.href).to.equal(next);
    const empty = read(atomFeed({ ...feed, entries: [] }));
    expect([empty.updated, empty.entry]).to.deep.equal(['2026-11-29T12:00:00.000Z', undefined]);
  });

  it('is well-formed whatever is said in it, and says that', () =>
    fc.assert(
      fc.property(
        fc.string({ unit: 'binary', minLength: 1 }),
        fc.string({ minLength: 1 }),
        (title, author) => {
          const text = atomFeed({ ...feed, entries: [{ ...entry, title, author }] });
          const [found] = read(text).entry!;
          // Line ends are one character in XML (section 2.11), and what it cannot write is a mark.
          const asWritten = title
            .replaceAll(/\r\n?/g, '\n')
            .toWellFormed()
            .replaceAll(/\p{Cc}|[\uFFFE\uFFFF]/gu, (each) =>
              each < ' ' && !/[\t\n\r]/.test(each) ? '\uFFFD' : each >= '\uFFFE' ? '\uFFFD' : each,
            );
          expect(found!.title).to.equal(asWritten);
        },
      ),
      { numRuns: 500 },
    ));

  it('lets nobody write an element of their own', () => {
    const title = '</title><entry><id>x</id></entry><title>';
    expect(read(atomFeed({ ...feed, entries: [{ ...entry, title }] })).entry).to.have.length(1);
  });
});
