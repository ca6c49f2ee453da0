// The figures of the documents: ratios, measured in one run on this machine.
import { run, setUp } from './setup.mjs';

setUp();
// The packages as they are built: what runs for owners.
run('npx', ['tsx', 'bench/src/main.ts']);
