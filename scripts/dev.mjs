// For work on Orbis itself, in one command: the demo’s world and its data, the packages built again whenever
// a source changes, the service started again with them, and the console as Vite serves it, with its parts
// exchanged while it runs.
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { say, setUp, top } from './setup.mjs';

setUp();

/* Under this name Vite serves the console, and hands the interface on to the service. */
const consolePort = 5173;
const address = `http://orbis.localhost:${consolePort}`;
/* Run by Node itself, so that stopping it stops the program and not a shell around it. */
const bin = (file, workspace = '.') =>
  [join(top, workspace, 'node_modules', file), join(top, 'node_modules', file)].find((path) =>
    existsSync(path),
  );
const parts = [
  [[bin('typescript/bin/tsc'), '-b', '--watch', '--preserveWatchOutput'], top, {}],
  [
    ['--watch', '--watch-preserve-output', 'scripts/demo.mjs'],
    top,
    { ORBIS_PUBLIC_URL: address, ORBIS_TRUST_PROXY: '1', SET_UP: 'done' },
  ],
  [[bin('vite/bin/vite.js', 'console'), '--clearScreen', 'false'], join(top, 'console'), {}],
];

say(`the console, as it is changed: ${address}`);
let stopping = false;
const children = parts.map(([args, cwd, env]) =>
  spawn(process.execPath, args, { cwd, stdio: 'inherit', env: { ...process.env, ...env } }),
);
const stop = () => {
  if (stopping) return;
  stopping = true;
  for (const child of children) child.kill('SIGTERM');
};
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
// One that ends by itself takes the others with it.
for (const child of children)
  child.once('exit', (status) => {
    process.exitCode ||= stopping ? 0 : (status ?? 1);
    stop();
  });
