import { spawnSync } from 'node:child_process';
import { chmodSync, lchownSync, readdirSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import type { DataFolder } from './folder.ts';

/** The user that the private database runs as. */
export interface ServerUser {
  uid: number;
  gid: number;
  /** As the server is told; null where it needs no telling. */
  name: 'root' | 'mysql' | null;
}

/**
 * As whom the database runs: as whoever runs Orbis; where that is root, as `mysql`, whom Debian makes for it,
 * as far as the way to the data folder lets that user through (it needs to pass, and never to read).
 */
export function serverUser(folder: DataFolder): ServerUser {
  const [uid, gid] = [process.getuid?.() ?? 0, process.getgid?.() ?? 0];
  if (uid !== 0) return { uid, gid, name: null };
  const mysql = idsOf('mysql');
  return mysql && isPassable(dirname(folder.root)) ? { ...mysql, name: 'mysql' } : { uid, gid, name: 'root' };
}

/** Hands the database's folder to the user that it runs as, and lets that user pass on the way to it. */
export function handOver(folder: DataFolder, { uid, gid, name }: ServerUser): void {
  if (process.getuid?.() !== 0) return;
  if (name === 'mysql') chmodSync(folder.root, 0o711);
  if (statSync(folder.database).uid === uid) return;
  const own = (path: string): void => {
    lchownSync(path, uid, gid);
  };
  for (const entry of readdirSync(folder.database, { recursive: true, encoding: 'utf8' }))
    own(join(folder.database, entry));
  own(folder.database);
}

/* Whether everybody may pass through a folder and all above it. */
function isPassable(path: string): boolean {
  for (let at = path; ; at = dirname(at)) {
    if ((statSync(at).mode & 0o001) === 0) return false;
    if (at === dirname(at)) return true;
  }
}

function idsOf(user: string): { uid: number; gid: number } | null {
  const ask = (option: '-u' | '-g'): number =>
    Number(spawnSync('id', [option, user], { encoding: 'utf8' }).stdout || NaN);
  const [uid, gid] = [ask('-u'), ask('-g')];
  return Number.isInteger(uid) && Number.isInteger(gid) ? { uid, gid } : null;
}
