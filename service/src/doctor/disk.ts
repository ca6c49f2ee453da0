import { existsSync, statfsSync } from 'node:fs';
import type { Diagnosis } from '@orbis/contract';
import { found } from './found.ts';

/* In bytes. */
const [low, full] = [2e9, 300e6];

/** How much room there is where Orbis writes: the worst of its folders. */
export function lookAtDisk(
  folders: readonly string[],
  roomIn: (folder: string) => number = freeIn,
): Diagnosis {
  const rooms = folders
    .filter((folder) => existsSync(folder))
    .map((folder) => ({ folder, room: roomIn(folder) }))
    .sort((a, b) => a.room - b.room);
  const { folder, room } = rooms[0]!;
  const facts = { folder, free: inWords(room) };
  if (room < full) return found('fault', 'disk-full', facts);
  return room < low ? found('warning', 'disk-low', facts) : found('well', 'disk-well', facts);
}

function freeIn(folder: string): number {
  const { bavail, bsize } = statfsSync(folder);
  return bavail * bsize;
}

const inWords = (bytes: number): string =>
  bytes >= 1e9 ? `${(bytes / 1e9).toFixed(bytes >= 1e11 ? 0 : 1)} GB` : `${Math.round(bytes / 1e6)} MB`;
