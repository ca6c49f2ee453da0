import { OrbisError, type LookPicture } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import type { Deps } from '../deps.ts';
import { findLook, looksAmong, type ShownLook } from '../store/looks.ts';

/** @throws OrbisError `not-found` */
export async function lookById(db: Handle, id: string): Promise<ShownLook> {
  const found = await findLook(db, id);
  if (!found) throw new OrbisError('not-found', { what: 'look', key: id });
  return found;
}

/** A picture of a look. @throws OrbisError `not-found` also where its file is not there any more. */
export async function pictureOfLook(
  { look: id, picture }: { look: string; picture: LookPicture },
  { connection: { db }, lookFiles }: Pick<Deps, 'connection' | 'lookFiles'>,
): Promise<{ file: Buffer; etag: string }> {
  const { look } = await lookById(db, id);
  const file = await lookFiles.read(look.publicId, picture);
  if (file === null) throw new OrbisError('not-found', { what: 'picture', key: `${id}/${picture}` });
  // It never changes.
  return { file, etag: `"${id}-${picture}"` };
}

/* So many are looked up at once. */
const together = 500;

/** Takes away the pictures of looks that are not kept any more, as of pages that were removed. */
export async function tidyLookFiles({
  connection: { db },
  lookFiles,
}: Pick<Deps, 'connection' | 'lookFiles'>): Promise<void> {
  const all = await lookFiles.all();
  for (let from = 0; from < all.length; from += together) {
    const part = all.slice(from, from + together);
    const known = await looksAmong(db, part);
    await lookFiles.remove(part.filter((id) => !known.has(id)));
  }
}
