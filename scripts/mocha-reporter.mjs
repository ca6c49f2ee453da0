// Mocha's own list of tests, closed by one plain line with the run's numbers.
import Mocha from 'mocha';

export default class Counts extends Mocha.reporters.Spec {
  constructor(runner, options) {
    super(runner, options);
    runner.once('end', () => {
      const { passes, failures, pending } = runner.stats;
      process.stdout.write(`${passes} passed, ${failures} failed, ${pending} skipped\n`);
    });
  }
}
