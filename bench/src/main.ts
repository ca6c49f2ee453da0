import { cpus } from 'node:os';
import { kinds } from './kinds.ts';
import { reading } from './reading.ts';

const [cpu] = cpus();
process.stdout.write(`Node ${process.version}, ${cpus().length} × ${cpu?.model ?? 'unknown processor'}\n\n`);
process.stdout.write(await reading());
process.stdout.write(`\n${kinds()}`);
