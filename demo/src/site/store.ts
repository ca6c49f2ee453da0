import { mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';

/** What stands in the spots, by `path#spot`: as it is being edited, and as visitors see it. */
export interface SpotContents {
  draft: Record<string, string>;
  published: Record<string, string>;
  /** What stands in the head of every page, and in its footer. */
  head?: string;
  footer?: string;
}

/** What every page has in common. */
export type EveryPage = 'head' | 'footer';

export interface SiteStore {
  read(): SpotContents;
  /** Puts a code into a spot of the draft. */
  edit(path: string, spot: string, code: string): void;
  /** Puts a code into the head or the footer of every page, for visitors to see. */
  editEvery(where: EveryPage, code: string): void;
  /** Shows visitors what the draft of a page holds. */
  publish(path: string): void;
}

/** Keeps the site's contents in one file, written whole each time. */
export function openSite(file: string): SiteStore {
  const read = (): SpotContents => {
    try {
      return JSON.parse(readFileSync(file, 'utf8')) as SpotContents;
    } catch {
      return { draft: {}, published: {} };
    }
  };
  const write = (contents: SpotContents): void => {
    mkdirSync(dirname(file), { recursive: true });
    writeFileSync(`${file}.new`, JSON.stringify(contents, null, 2));
    renameSync(`${file}.new`, file);
  };
  return {
    read,
    edit: (path, spot, code) => {
      const now = read();
      write({ ...now, draft: { ...now.draft, [`${path}#${spot}`]: code } });
    },
    editEvery: (where, code) => write({ ...read(), [where]: code }),
    publish: (path) => {
      const now = read();
      const own = Object.fromEntries(Object.entries(now.draft).filter(([key]) => key.startsWith(`${path}#`)));
      write({ ...now, published: { ...now.published, ...own } });
    },
  };
}
