// Makes few files of the command line, of the programs of the server, and of the worker that reads foreign
// text.
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { putTogether } from './put-together.mjs';
import { top } from './setup.mjs';

const at = (path) => join(top, path);
const programs = ['main', 'backup', 'restore', 'reset-password'];
const outdir = at('service/dist/programs');

// What they share has other names each time.
rmSync(outdir, { recursive: true, force: true });
await Promise.all([
  putTogether({ entryPoints: [at('cli/dist/main.js')], outfile: at('cli/dist/orbis.mjs') }),
  putTogether({
    entryPoints: [at('service/dist/reading/worker.js')],
    outfile: at('service/dist/reading/worker.mjs'),
  }),
  putTogether({
    entryPoints: programs.map((name) => at(`service/dist/${name}.js`)),
    outdir,
    outExtension: { '.js': '.mjs' },
    splitting: true,
    // They look for what is beside them: threads, programs, and what was made for this machine.
    external: ['@node-rs/argon2', 'pino', 'piscina', 'playwright-core', 'sharp'],
  }),
]);
