import { execFileSync } from 'node:child_process';
import { mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** An archive of Orbis, and the version in its name. */
export interface Package {
  archive: string;
  version: string;
}

/**
 * Makes the archive of this version, and the one of a next version that keeps its register in another form.
 * @param folder where they go.
 */
export function packages(folder: string): { current: Package; next: Package } {
  rmSync(join(folder, 'next'), { recursive: true, force: true });
  mkdirSync(join(folder, 'next'), { recursive: true });
  const archive = execFileSync('node', ['scripts/package.mjs', '--to', folder], {
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'ignore'],
  })
    .trim()
    .split('\n')
    .at(-1)!;
  const version = /orbis-(.+?)-linux/.exec(archive)![1]!;
  return { current: { archive, version }, next: nextOf({ archive, version }, join(folder, 'next')) };
}

/* The same program by another number, with one table more. */
function nextOf({ archive, version }: Package, folder: string): Package {
  execFileSync('tar', ['--extract', '--gzip', '--file', archive, '--directory', folder]);
  const next = nextPatch(version);
  const unpacked = join(folder, `orbis-${next}`);
  renameSync(join(folder, `orbis-${version}`), unpacked);
  changeJson(join(unpacked, 'package.json'), (manifest) => ({ ...manifest, version: next }));
  const migrations = join(unpacked, 'service/migrations');
  changeJson(join(migrations, 'meta/_journal.json'), ({ entries, ...journal }) => {
    const { idx, when, ...last } = (entries as { idx: number; when: number }[]).at(-1)!;
    const entry = { ...last, idx: idx + 1, when: when + 1, tag: 'tour' };
    return { ...journal, entries: [...(entries as object[]), entry] };
  });
  writeFileSync(join(migrations, 'tour.sql'), 'CREATE TABLE `tour` (`id` int NOT NULL PRIMARY KEY);\n');
  const packed = join(folder, `orbis-${next}-linux-x64.tar.gz`);
  execFileSync('tar', ['--create', '--gzip', '--file', packed, '--directory', folder, `orbis-${next}`]);
  rmSync(unpacked, { recursive: true });
  if (readdirSync(folder).length !== 1) throw new Error(`There is more in ${folder} than the next archive.`);
  return { archive: packed, version: next };
}

const nextPatch = (version: string): string =>
  version
    .split('.')
    .with(2, String(Number(version.split('.')[2]) + 1))
    .join('.');

function changeJson(path: string, change: (json: Record<string, unknown>) => Record<string, unknown>): void {
  writeFileSync(
    path,
    JSON.stringify(change(JSON.parse(readFileSync(path, 'utf8')) as Record<string, unknown>)),
  );
}
