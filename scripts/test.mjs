// The whole check: set-up, lint, types, every test; closes on one line of counts.
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { run, say, setUp, stop, top } from './setup.mjs';
import { watched } from './watched.mjs';

/* Two rows of runs beside each other, each run with a database of its own where it needs one; both rows take
   about as long. */
const rows = [
  [['service', 'scripts']],
  [
    ['core', 'contract', 'sheets'],
    ['cli', 'demo', 'console'],
  ],
];

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
  const folder = mkdtempSync(join(tmpdir(), 'orbis-counts-'));
  const ended = (await Promise.all(rows.map((row, i) => inTurn(row, folder, i === 0)))).flat();
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

/* The runs of a row, one after the other, whatever comes of them. */
async function inTurn(row, folder, shown) {
  const ended = [];
  for (const workspaces of row) {
    const [counts, at] = ['counts', 'at'].map((name) => join(folder, `${workspaces[0]}-${name}`));
    const args = workspaces.map((workspace) => `${workspace}/test/**/*.test.ts`);
    const { status, output, stoodStill } = await watched('npx', ['mocha', ...args], {
      cwd: top,
      shown,
      env: { MOCHA_COUNTS: counts, MOCHA_AT: at },
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
