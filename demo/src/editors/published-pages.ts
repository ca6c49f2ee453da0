import { mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import type { Temper } from './tempers.ts';

/* What was typed, what its editor made of it, when that is to be seen, and what stood there before. */
interface Kept {
  draft: string;
  published: string;
  liveAt: number;
  before: string;
}

/** What is in the spot of each page of a small site, by its path. */
export interface PublishedPages {
  draft(path: string): string;
  /** What visitors see now. */
  published(path: string): string;
  edit(path: string, code: string): void;
  publish(path: string, temper: Temper): Promise<void>;
}

/** Keeps the pages of a small site in one file, written whole each time. */
export function openPages(file: string, now: () => number = Date.now): PublishedPages {
  const read = (): Record<string, Kept> => {
    try {
      return JSON.parse(readFileSync(file, 'utf8')) as Record<string, Kept>;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code === 'ENOENT') return {};
      throw error;
    }
  };
  const at = (path: string): Kept => read()[path] ?? { draft: '', published: '', liveAt: 0, before: '' };
  const shown = ({ published, liveAt, before }: Kept): string => (now() >= liveAt ? published : before);
  const write = (path: string, kept: Kept): void => {
    mkdirSync(dirname(file), { recursive: true });
    writeFileSync(`${file}.new`, JSON.stringify({ ...read(), [path]: kept }, null, 2));
    renameSync(`${file}.new`, file);
  };
  return {
    draft: (path) => at(path).draft,
    published: (path) => shown(at(path)),
    edit: (path, code) => write(path, { ...at(path), draft: code }),
    publish: async (path, { publish, delay }) => {
      const published = await publish(at(path).draft);
      write(path, { ...at(path), published, liveAt: now() + delay * 60_000, before: shown(at(path)) });
    },
  };
}
