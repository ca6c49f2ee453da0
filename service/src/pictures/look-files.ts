import { mkdir, readdir, readFile, rename, rm, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import type { LookPicture } from '@orbis/contract';

/** The pictures of looks, as files below the data folder: one folder for each look. */
export interface LookFiles {
  /** Writes the pictures of a look; each is whole, or not there at all. */
  keep(look: string, pictures: ReadonlyMap<LookPicture, Buffer>): Promise<void>;
  /** Null where there is no such picture. */
  read(look: string, picture: LookPicture): Promise<Buffer | null>;
  remove(looks: readonly string[]): Promise<void>;
  /** The ids of the looks of which there are files. */
  all(): Promise<string[]>;
}

/** @param folder where they are; it is made when the first one is kept. */
export function lookFiles(folder: string): LookFiles {
  // Public ids are of lower-case letters and digits.
  const folderOf = (look: string): string => join(folder, look.slice(0, 2), look);
  const fileOf = (look: string, picture: LookPicture): string => join(folderOf(look), `${picture}.webp`);
  return {
    keep: async (look, pictures) => {
      for (const [picture, data] of pictures) {
        const file = fileOf(look, picture);
        await mkdir(dirname(file), { recursive: true, mode: 0o700 });
        await writeFile(`${file}.unfinished`, data, { mode: 0o600 });
        await rename(`${file}.unfinished`, file);
      }
    },
    read: (look, picture) => readFile(fileOf(look, picture)).catch(() => null),
    remove: async (looks) => {
      for (const look of looks) await rm(folderOf(look), { recursive: true, force: true });
    },
    all: async () => {
      const namesIn = (of: string): Promise<string[]> => readdir(of).catch(() => []);
      const parts = await namesIn(folder);
      return (await Promise.all(parts.map((part) => namesIn(join(folder, part))))).flat();
    },
  };
}
