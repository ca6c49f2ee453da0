import { chownSync, lstatSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import type { DataFolder } from './folder.ts';

/* What an address of a Unix socket holds (sockaddr_un, 108 bytes with its end): MariaDB aborts beyond it. */
const longest = 107;

const nameOf = (folder: DataFolder): string => join(folder.database, 's');
const noteOf = (folder: DataFolder): string => join(folder.database, 'socket-folder');

/** Where the database's socket is; null where it has never been started. */
export function findSocket(folder: DataFolder): string | null {
  const own = nameOf(folder);
  return Buffer.byteLength(own) <= longest ? own : shortFolder(folder) && join(shortFolder(folder)!, 's');
}

/**
 * Where the socket is to be; a path that is too long gets a short private folder,
 * which the data folder names.
 */
export function makeSocketPlace(folder: DataFolder, owner: { uid: number; gid: number }): string {
  const found = findSocket(folder);
  if (found !== null) return found;
  const base = Buffer.byteLength(tmpdir()) <= 60 ? tmpdir() : '/tmp';
  const made = mkdtempSync(join(base, 'orbis-'));
  chownSync(made, owner.uid, owner.gid);
  writeFileSync(noteOf(folder), `${made}\n`, { mode: 0o600 });
  return join(made, 's');
}

/** Takes the short folder away, where there is one. */
export function clearSocketPlace(folder: DataFolder): void {
  const short = shortFolder(folder);
  if (short !== null) rmSync(short, { recursive: true, force: true });
  rmSync(noteOf(folder), { force: true });
}

/* The folder that is noted, as long as nobody else could have made it: temporary folders are everybody's. */
function shortFolder(folder: DataFolder): string | null {
  try {
    const path = readFileSync(noteOf(folder), 'utf8').trim();
    const { mode, uid } = lstatSync(path);
    const owners = [process.getuid?.(), lstatSync(dirname(nameOf(folder))).uid];
    return (mode & 0o170777) === 0o040700 && owners.includes(uid) ? path : null;
  } catch {
    return null;
  }
}
