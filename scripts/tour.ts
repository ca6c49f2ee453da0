// Installs Orbis on a bare Debian, and goes through years of it in minutes, by the lines of docs/install.md.
import { existsSync, rmSync } from 'node:fs';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { makeBareMachine, startBareMachine } from './tour/bare-machine.ts';
import { packages } from './tour/packages.ts';
import { stops } from './tour/stops.ts';
import { toolsFor } from './tour/tools.ts';

const help = `npm run tour [-- --folder FOLDER] [--keep]

Makes a bare Debian 12 in FOLDER (var/tour/machine), runs it with a systemd of its own, and installs, starts,
kills, backs up, upgrades, puts back and removes Orbis there, by the lines of docs/install.md. Ends with 1 at
the first thing that is not as it should be. Needs root, debootstrap, and the ports 7420 and 7421, which that
machine shares with this one. --keep leaves the folder, so that the next tour need not make it.
`;

const { values } = parseArgs({
  options: {
    folder: { type: 'string', default: 'var/tour/machine' },
    keep: { type: 'boolean', default: false },
    help: { type: 'boolean', default: false },
  },
});

async function tour(folder: string): Promise<void> {
  const archives = packages(resolve('var/tour'));
  makeBareMachine(folder);
  const machine = await startBareMachine(folder);
  try {
    for (const [name, pass] of stops(toolsFor({ machine, folder, ...archives }))) {
      const from = Date.now();
      const seen = await pass();
      process.stdout.write(`✔ ${name} (${((Date.now() - from) / 1000).toFixed(1)} s)\n`);
      if (seen) process.stdout.write(`${seen.trimEnd().replace(/^/gm, '    ')}\n`);
    }
  } catch (error) {
    process.stdout.write(machine.inside('journalctl --unit orbis --no-pager --lines 30').stdout);
    throw error;
  } finally {
    await machine.stop();
    if (!values.keep) rmSync(folder, { recursive: true, force: true });
  }
}

if (values.help) process.stdout.write(help);
else if (process.getuid?.() !== 0 || !existsSync('/usr/sbin/debootstrap')) {
  process.stderr.write('The tour needs root and Debian’s debootstrap (apt-get install debootstrap).\n');
  process.exit(2);
} else {
  await tour(resolve(values.folder)).catch((error: unknown) => {
    process.stdout.write(`✘ ${error instanceof Error ? error.message : String(error)}\n`);
    process.exit(1);
  });
}
