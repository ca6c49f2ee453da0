// The whole check: set-up, lint, types, every test; closes on one line of counts.
import { chmodSync, mkdtempSync, readFileSync, rmSync, statfsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { run, say, setUp, stop, top } from './setup.mjs';
import { watched } from './watched.mjs';

/* The runs, the longest first, each with a database of its own where it needs one. Two go on beside each
   other; whichever ends takes the next. */
const runs = [
  ['service/test/[j-z]*.test.ts'],
  ['console/test/**/*.test.ts'],
  ['service/test/attacks/**/*.test.ts'],
  ['service/test/[a-i]*.test.ts'],
  ['cli/test/**/*.test.ts', 'demo/test/**/*.test.ts'],
  ['scripts/test/**/*.test.ts'],
  ['core', 'contract', 'sheets'].map((workspace) => `${workspace}/test/**/*.test.ts`),
];
const besideEachOther = 2;

/* Longer than any test or hook has, in milliseconds: one that takes all of it will never end. */
const longestTest = 10 * 60_000;

setUp({ chromium: true, ffmpeg: true, systemd: true });
say('lint and types');
const checks = await Promise.all(
  ['lint', 'types'].map((name) => watched('npm', ['run', '--silent', name], { cwd: top })),
);
for (const { output } of checks) process.stdout.write(output);
if (checks.some(({ status }) => status !== 0)) stop('Lint or types found something.');
say('tests');
const asked = process.argv.slice(2);
if (asked.length > 0) run('npx', ['mocha', ...asked]);
else await everyTest();

async function everyTest() {
  const folder = mkdtempSync(join(placeInMemory() ?? tmpdir(), 'orbis-tests-'));
  // Databases and browsers run there as other users.
  chmodSync(folder, 0o1777);
  const waiting = runs.map((files, i) => ({ files, name: `run-${i}` }));
  const rows = Array.from({ length: besideEachOther }, () => inTurn(waiting, folder));
  const ended = (await Promise.all(rows)).flat();
  rmSync(folder, { recursive: true, force: true });
  for (const { output } of ended) process.stdout.write(output);
  const counts = ended.map((each) => JSON.parse(each.counts ?? 'null'));
  for (const { test, because } of counts.flatMap((count) => count?.failedTests ?? []))
    process.stdout.write(`Failed: ${test}\n        ${because}\n`);
  for (const { stoodAt } of ended)
    if (stoodAt !== null) process.stdout.write(`Stood still, and was ended: ${stoodAt}\n`);
  const sum = (name) => counts.reduce((all, count) => all + (count?.[name] ?? 0), 0);
  process.stdout.write(`${sum('passes')} passed, ${sum('failures')} failed, ${sum('pending')} skipped\n`);
  if (ended.some(({ status }) => status !== 0) || counts.includes(null)) process.exit(1);
}

/* A folder whose files are in memory, where it has room enough: on a disk, making and taking away the many
   small files of hundreds of databases takes longer than what is tested. Null for none. */
function placeInMemory() {
  const place = '/dev/shm';
  try {
    const { bavail, bsize } = statfsSync(place);
    return bavail * bsize > 8e9 ? place : null;
  } catch {
    return null;
  }
}

/* Runs one after the other, as long as there are any, whatever comes of them. */
async function inTurn(waiting, folder) {
  const ended = [];
  for (let next = waiting.shift(); next; next = waiting.shift()) {
    const [counts, at] = ['counts', 'at'].map((what) => join(folder, `${next.name}-${what}`));
    const { status, output, stoodStill } = await watched('npx', ['mocha', ...next.files], {
      cwd: top,
      shown: next.name === 'run-0',
      env: { MOCHA_COUNTS: counts, MOCHA_AT: at, TMPDIR: folder },
      progress: at,
      still: longestTest,
    });
    ended.push({ status, output, counts: read(counts), stoodAt: stoodStill ? read(at) : null });
  }
  return ended;
}

/* What a file says; null where it was not written. */
function read(file) {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    return null;
  }
}
