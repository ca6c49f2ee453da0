import { readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { readCopyName } from './copy-name.ts';
import { copiesToKeep, type Keep } from './retention.ts';

/* What a copy that was broken off left behind goes after a day. */
const leftOver = 86_400_000;

/* So many copies from before upgrades stay. */
const beforeUpgrades = 3;

/**
 * Takes away the copies in a folder whose time is over, and what was left of those that were broken off.
 * @param except names of copies that stay in any case.
 * @returns the names of those that went.
 */
export function clearAway(folder: string, keep: Keep, except: readonly string[], now: Date): string[] {
  const names = readdirSync(folder);
  for (const name of names)
    if (/^orbis-.*\.part$/.test(name) && now.getTime() - statSync(join(folder, name)).mtimeMs > leftOver)
      rmSync(join(folder, name), { force: true });
  const known = names.flatMap((name) => {
    const read = readCopyName(name);
    return read ? [{ name, ...read }] : [];
  });
  const [before, usual] = [
    known.filter((each) => each.beforeUpgrade),
    known.filter((each) => !each.beforeUpgrade),
  ];
  const stays = copiesToKeep(
    usual.map(({ at }) => at),
    keep,
  );
  const upgrades = before.sort((a, b) => b.at.getTime() - a.at.getTime()).slice(0, beforeUpgrades);
  const gone = known.filter(
    (each) => !stays.has(each.at) && !upgrades.includes(each) && !except.includes(each.name),
  );
  for (const { name } of gone) rmSync(join(folder, name), { force: true });
  return gone.map(({ name }) => name);
}
