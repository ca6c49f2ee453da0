// The figures of the documents: ratios, measured in one run on this machine.
import { run, setUp } from './setup.mjs';

setUp();
run('npx', ['tsx', '--conditions=development', 'bench/src/main.ts']);
