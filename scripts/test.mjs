// The whole check: set-up, lint, types, every test; closes on one line of counts.
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { run, say, setUp, stop, top } from './setup.mjs';

/* Two runs beside each other, each with a database of its own, that take about as long:
   half of all is the service's. */
const parts = [
  ['service', 'scripts'],
  ['core', 'contract', 'sheets', 'cli', 'demo', 'console'],
];

setUp({ chromium: true });
say('lint and types');
const checks = await Promise.all(['lint', 'types'].map((name) => finished('npm', ['run', '--silent', name])));
for (const { output } of checks) process.stdout.write(output);
if (checks.some(({ status }) => status !== 0)) stop('Lint or types found something.');
say('tests');
const asked = process.argv.slice(2);
if (asked.length > 0) run('npx', ['mocha', ...asked]);
else await everyTest();

async function everyTest() {
  const folder = mkdtempSync(join(tmpdir(), 'orbis-counts-'));
  const runs = parts.map((workspaces, i) =>
    finished('npx', ['mocha', ...workspaces.map((workspace) => `${workspace}/test/**/*.test.ts`)], {
      shown: i === 0,
      env: { MOCHA_COUNTS: join(folder, `${i}`) },
    }),
  );
  const ended = await Promise.all(runs);
  for (const { output } of ended) process.stdout.write(output);
  const counts = ended.map((_, i) => countsIn(join(folder, `${i}`)));
  rmSync(folder, { recursive: true, force: true });
  for (const { test, because } of counts.flatMap((count) => count?.failedTests ?? []))
    process.stdout.write(`Failed: ${test}\n        ${because}\n`);
  const sum = (name) => counts.reduce((all, count) => all + (count?.[name] ?? 0), 0);
  process.stdout.write(`${sum('passes')} passed, ${sum('failures')} failed, ${sum('pending')} skipped\n`);
  if (ended.some(({ status }) => status !== 0) || counts.includes(null)) process.exit(1);
}

/* The numbers of a run; null where it did not come to its end. */
function countsIn(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
}

/* Runs a program in the checkout; what it wrote is given back, or shown at once. */
function finished(program, args, { shown = false, env = {} } = {}) {
  return new Promise((resolve) => {
    const child = spawn(program, args, {
      cwd: top,
      stdio: ['ignore', shown ? 'inherit' : 'pipe', shown ? 'inherit' : 'pipe'],
      env: { ...process.env, ...env },
    });
    let output = '';
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', (chunk) => (output += chunk));
    child.once('error', (error) =>
      resolve({ status: 1, output: `${program} could not be started: ${error.message}\n` }),
    );
    child.once('close', (status) => resolve({ status, output }));
  });
}
