// Mocha's own list of tests, closed by one plain line with the run's numbers; or, for a part of a run, by a file of them.
import { writeFileSync } from 'node:fs';
import Mocha from 'mocha';

export default class Counts extends Mocha.reporters.Spec {
  constructor(runner, options) {
    super(runner, options);
    runner.once('end', () => {
      const { passes, failures, pending } = runner.stats;
      const file = process.env.MOCHA_COUNTS;
      if (file) writeFileSync(file, JSON.stringify({ passes, failures, pending }));
      else process.stdout.write(`${passes} passed, ${failures} failed, ${pending} skipped\n`);
    });
  }
}
