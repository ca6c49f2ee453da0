// Mocha's own list of tests, closed by one plain line with the run's numbers; or, for a part of a run, by a
// file of them. A run that does not end by itself fails.
import { writeFileSync } from 'node:fs';
import Mocha from 'mocha';

/* How long after its last test a run may take to end by itself, in milliseconds. */
const patience = 10_000;

/* What keeps the process alive was not closed by a test: with `exit: true` nobody would ever hear of it. */
function tellOfLeaks() {
  process.stdout.write(
    `The tests are over, and something was not closed: ${process.getActiveResourcesInfo().join(', ')}\n`,
  );
  process.exit(1);
}

export default class Counts extends Mocha.reporters.Spec {
  constructor(runner, options) {
    super(runner, options);
    runner.once('end', () => {
      const { passes, failures, pending } = runner.stats;
      const file = process.env.MOCHA_COUNTS;
      if (file) writeFileSync(file, JSON.stringify({ passes, failures, pending }));
      else process.stdout.write(`${passes} passed, ${failures} failed, ${pending} skipped\n`);
      setTimeout(tellOfLeaks, patience).unref();
    });
  }
}
