// Mocha's own list of tests, closed by the files that took longest and one plain line with the run's numbers;
// or, for a part of a run, by a file of them. A run that does not end by itself fails, and one in which
// many tests fail is given up: what broke once would let the rest wait, each for its whole time.
import { writeFileSync } from 'node:fs';
import { relative } from 'node:path';
import Mocha from 'mocha';

/* How long after its last test a run may take to end by itself, in milliseconds. */
const patience = 10_000;
const toldFiles = 8;
const enoughFailures = 15;

/* What keeps the process alive was not closed by a test: with `exit: true` nobody would ever hear of it. */
function tellOfLeaks() {
  process.stdout.write(
    `The tests are over, and something was not closed: ${process.getActiveResourcesInfo().join(', ')}\n`,
  );
  process.exit(1);
}

/* What each file took, with what it does before and after its tests. */
function timed(runner) {
  const taken = new Map();
  let file = '';
  let since = Date.now();
  const count = (next) => {
    const now = Date.now();
    taken.set(file, (taken.get(file) ?? 0) + now - since);
    [file, since] = [next ?? file, now];
  };
  runner.on('suite', (suite) => count(suite.file));
  runner.once('end', () => count());
  return () =>
    [...taken]
      .filter(([name]) => name !== '')
      .sort(([, a], [, b]) => b - a)
      .slice(0, toldFiles)
      .map(([name, ms]) => `  ${(ms / 1000).toFixed(1).padStart(6)} s  ${relative(process.cwd(), name)}`);
}

/* The tests that failed, each with its file and the first line of why. */
function failed(runner) {
  const tests = [];
  runner.on('fail', (test, error) =>
    tests.push({
      test: `${relative(process.cwd(), test.file ?? '')}: ${test.fullTitle()}`,
      because: String(error?.message ?? error).split('\n', 1)[0],
    }),
  );
  return tests;
}

/* Which test or hook runs, in a file: whoever watches the run can say where it stood still. */
function noted(runner, file) {
  const note = (what) =>
    writeFileSync(file, `${relative(process.cwd(), what.file ?? '')}: ${what.fullTitle()}`);
  runner.on('test', note);
  runner.on('hook', note);
  runner.once('end', () => writeFileSync(file, 'what comes after the last test'));
}

export default class Counts extends Mocha.reporters.Spec {
  constructor(runner, options) {
    super(runner, options);
    const longest = timed(runner);
    const failedTests = failed(runner);
    if (process.env.MOCHA_AT) noted(runner, process.env.MOCHA_AT);
    runner.on('fail', () => {
      if (failedTests.length >= enoughFailures) runner.abort();
    });
    runner.once('end', () => {
      const { passes, failures, pending } = runner.stats;
      const file = process.env.MOCHA_COUNTS;
      if (file) process.stdout.write(`Longest:\n${longest().join('\n')}\n\n`);
      if (file) writeFileSync(file, JSON.stringify({ passes, failures, pending, failedTests }));
      else process.stdout.write(`${passes} passed, ${failures} failed, ${pending} skipped\n`);
      setTimeout(tellOfLeaks, patience).unref();
    });
  }
}
