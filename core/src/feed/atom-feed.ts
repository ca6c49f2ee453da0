import XMLBuilder from 'fast-xml-builder';

/** A feed of entries, the newest first. */
export interface Feed {
  /** Its own address, which is its id as well. */
  address: string;
  title: string;
  /** What a reader opens to see all of it. */
  page: string;
  /** Who makes it, and in which version. */
  generator: { name: string; version: string };
  entries: readonly FeedEntry[];
  /** The address of the entries that follow; null at the end (RFC 5005, section 3). */
  next: string | null;
  /** When it is made (RFC 3339): that of a feed without entries. */
  now: string;
}

export interface FeedEntry {
  /** An address that stays the same. */
  id: string;
  title: string;
  /** RFC 3339 in UTC with milliseconds, both. */
  published: string;
  updated: string;
  author: string;
  /** Of what kind it is, as programs tell kinds apart. */
  category: string;
  /** What it says, where its title is not all. */
  summary?: string;
  /** Where it is to be seen; the page of the feed where nothing is said. */
  page?: string;
}

/** Writes a feed as Atom (RFC 4287). */
export function atomFeed({ address, title, page, generator, entries, next, now }: Feed): string {
  // Times of one form stand in the order of their characters.
  const latest = entries
    .map(({ updated }) => updated)
    .sort()
    .at(-1);
  const link = (rel: string, href: string, type: string) => ({ '@rel': rel, '@href': href, '@type': type });
  const feed = {
    '@xmlns': 'http://www.w3.org/2005/Atom',
    'id': address,
    'title': plain(title),
    'updated': latest ?? now,
    'generator': { '@version': generator.version, '#text': generator.name },
    'link': [
      link('self', address, atomType),
      link('alternate', page, 'text/html'),
      ...(next === null ? [] : [link('next', next, atomType)]),
    ],
    'entry': entries.map((entry) => ({
      id: entry.id,
      title: plain(entry.title),
      published: entry.published,
      updated: entry.updated,
      author: { name: plain(entry.author) },
      category: { '@term': entry.category },
      link: link('alternate', entry.page ?? page, 'text/html'),
      ...(entry.summary !== undefined && { summary: plain(entry.summary) }),
    })),
  };
  const builder = new XMLBuilder({
    ...{ format: true, ignoreAttributes: false, attributeNamePrefix: '@', suppressEmptyNode: true },
  });
  const body: string = builder.build({ feed });
  return `<?xml version="1.0" encoding="utf-8"?>\n${body}`;
}

const atomType = 'application/atom+xml';

/* XML has no way to write the other characters (XML 1.0, section 2.2). */
const plain = (text: string): string =>
  text.toWellFormed().replaceAll(/[^\t\n\r\u0020-\uD7FF\uE000-\uFFFD\u{10000}-\u{10FFFF}]/gu, '\uFFFD');
