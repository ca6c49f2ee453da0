import { mkdir, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import PQueue from 'p-queue';
import type { Logger } from 'pino';
import { z } from 'zod';
import { newPublicId } from '../store/ids.ts';
import type { ServedDocument } from './served.ts';

/** Documents of placements in a folder, for a process that starts while the database is away. */
export interface DocumentsOnDisk {
  /** Writes one down, soon; whoever keeps it does not wait for that. */
  keep(id: string, document: ServedDocument): void;
  forget(id: string): void;
  /** Null where there is none that can be read. */
  read(id: string): Promise<ServedDocument | null>;
  /** Whether there is any. */
  isEmpty(): Promise<boolean>;
  /** Comes to an end when all is written. */
  settled(): Promise<void>;
}

export interface DiskTools {
  log: Pick<Logger, 'warn'>;
  /** How many bytes are kept, about. */
  most?: number;
}

/* What is there may have been cut or changed by others. */
const written = z.object({
  html: z.string(),
  policy: z.string(),
  features: z.array(z.string()),
  // None where it was written down before there were several.
  sites: z.array(z.string()).default([]),
});

/* More that wait to be written than this are passed over: the next change writes them. */
const mostWaiting = 1000;

/**
 * Keeps documents in a folder, each in a file of its own that is whole or not there at all; the oldest go
 * when others need the room. Several processes may share the folder. What cannot be written is said once, and
 * done without.
 */
export function documentsOnDisk(
  folder: string,
  { log, most = 256 * 1024 * 1024 }: DiskTools,
): DocumentsOnDisk {
  // One after the other: of two of one placement, the later one stays.
  const queue = new PQueue({ concurrency: 1 });
  let isBroken = false;
  let sinceLook = Infinity;
  const work = (task: () => Promise<void>): void => {
    if (isBroken) return;
    void queue.add(task).catch((error: unknown) => {
      if (isBroken) return;
      isBroken = true;
      log.warn({ err: error, folder }, 'documents of frames cannot be kept on disk; it is done without');
    });
  };
  const write = async (id: string, document: ServedDocument): Promise<void> => {
    const { html, policy, features = [], sites = [] } = document;
    const text = JSON.stringify({ html, policy, features, sites });
    const file = fileOf(folder, id);
    await mkdir(dirname(file), { recursive: true, mode: 0o700 });
    const unfinished = `${file}.${newPublicId()}`;
    await writeFile(unfinished, text, { mode: 0o600 });
    await rename(unfinished, file);
    sinceLook += text.length;
    // Looking at all of them is worth it only now and then.
    if (sinceLook < most / 8) return;
    sinceLook = 0;
    await makeRoom(folder, most);
  };
  return {
    keep: (id, document) => {
      if (queue.size < mostWaiting) work(() => write(id, document));
    },
    forget: (id) => work(() => rm(fileOf(folder, id), { force: true })),
    read: async (id) => {
      const text = await readFile(fileOf(folder, id), 'utf8').catch(() => null);
      return text === null ? null : documentIn(text);
    },
    isEmpty: async () => (await filesIn(folder)).length === 0,
    settled: () => queue.onIdle(),
  };
}

function documentIn(text: string): ServedDocument | null {
  let said: unknown;
  try {
    said = JSON.parse(text);
  } catch (error) {
    if (error instanceof SyntaxError) return null;
    throw error;
  }
  return written.safeParse(said).data ?? null;
}

/* Public ids are of lower-case letters and digits. */
const fileOf = (folder: string, id: string): string => join(folder, id.slice(0, 2), `${id}.json`);

async function filesIn(folder: string): Promise<string[]> {
  const all = await readdir(folder, { recursive: true, withFileTypes: true }).catch(() => []);
  return all.filter((each) => each.isFile()).map((each) => join(each.parentPath, each.name));
}

/* The oldest go first, until three quarters are left. */
async function makeRoom(folder: string, most: number): Promise<void> {
  const files = await Promise.all(
    (await filesIn(folder)).map(async (path) => {
      const facts = await stat(path).catch(() => null);
      return { path, size: facts?.size ?? 0, at: facts?.mtimeMs ?? 0 };
    }),
  );
  let size = files.reduce((sum, each) => sum + each.size, 0);
  if (size <= most) return;
  for (const each of files.sort((a, b) => a.at - b.at)) {
    if (size <= most * 0.75) return;
    await rm(each.path, { force: true });
    size -= each.size;
  }
}
