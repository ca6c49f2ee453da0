import { cpus } from 'node:os';
import { adjusting } from './adjusting.ts';
import { agreeing } from './agreeing.ts';
import { cluster } from './cluster.ts';
import { collection } from './collection.ts';
import { consoleSize } from './console.ts';
import { contentNetwork } from './content-network.ts';
import { enduring } from './enduring.ts';
import { faults } from './faults.ts';
import { fuzz } from './fuzz.ts';
import { growth } from './growth.ts';
import { liveness } from './liveness.ts';
import { looks } from './looks.ts';
import { million } from './million.ts';
import { processes } from './processes.ts';
import { reading } from './reading.ts';
import { room } from './room.ts';
import { serving } from './serving.ts';
import { starting } from './starting.ts';
import { sweeping } from './sweeping.ts';
import { truth } from './truth.ts';
import { wholeRegister } from './whole-register.ts';
import { workbench } from './workbench.ts';

const parts: Record<string, () => string | Promise<string>> = {
  reading,
  adjusting,
  collection,
  liveness,
  growth,
  fuzz,
  truth,
};
/* These take minutes, or need a browser, and run only where they are named. */
const named: typeof parts = {
  agreeing,
  cluster,
  'content-network': contentNetwork,
  enduring,
  faults,
  'console': consoleSize,
  looks,
  million,
  processes,
  'register': wholeRegister,
  room,
  serving,
  starting,
  sweeping,
  workbench,
};

const asked = process.argv.slice(2);
const known = { ...parts, ...named };
const unknown = asked.find((name) => !Object.hasOwn(known, name));
if (unknown !== undefined) {
  process.stderr.write(`There is no part “${unknown}”. There are: ${Object.keys(known).join(', ')}.\n`);
  process.exit(2);
}
const [cpu] = cpus();
process.stdout.write(`Node ${process.version}, ${cpus().length} × ${cpu?.model ?? 'unknown processor'}\n`);
for (const name of asked.length > 0 ? asked : Object.keys(parts))
  process.stdout.write(`\n${await known[name]!()}`);
