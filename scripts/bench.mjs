// The figures of the documents: ratios, measured in one run on this machine; all, or
// the parts that are named.
import { run, setUp } from './setup.mjs';

setUp();
// The packages as they are built: what runs for owners.
run('npx', ['tsx', 'bench/src/main.ts', ...process.argv.slice(2)]);
