import { cpus } from 'node:os';
import { adjusting } from './adjusting.ts';
import { collection } from './collection.ts';
import { fuzz } from './fuzz.ts';
import { growth } from './growth.ts';
import { kinds } from './kinds.ts';
import { reading } from './reading.ts';

const [cpu] = cpus();
process.stdout.write(`Node ${process.version}, ${cpus().length} × ${cpu?.model ?? 'unknown processor'}\n`);
for (const part of [reading, adjusting, collection, growth, fuzz, kinds]) process.stdout.write(`\n${await part()}`);
