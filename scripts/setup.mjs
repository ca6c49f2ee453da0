// Brings a fresh checkout to where it can run. Needs nothing but Node and npm, and does only what is missing.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const top = fileURLToPath(new URL('../', import.meta.url));

/** Debian's packages that are needed, each with the programs of which one shows that it is there. */
const packages = {
  'mariadb-server': ['/usr/sbin/mariadbd'],
  'chromium-headless-shell': ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'],
  'ffmpeg': ['/usr/bin/ffmpeg'],
  // Whose systemd-analyze the tests ask.
  'systemd': ['/usr/bin/systemd-analyze'],
};

/**
 * Installs and builds what is missing. Ends the process with one sentence and status 1 where that cannot be
 * done.
 * @param {{ chromium?: boolean, ffmpeg?: boolean, systemd?: boolean }} [wanted] what the tests need too: the
 *   browser, what makes films, and what judges units
 */
export function setUp({ chromium = false, ffmpeg = false, systemd = false } = {}) {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    stop(`Orbis needs Node 20.19 or newer; this is ${process.version}.`);
  installPackages([
    'mariadb-server',
    ...(chromium ? ['chromium-headless-shell'] : []),
    ...(ffmpeg ? ['ffmpeg'] : []),
    ...(systemd ? ['systemd'] : []),
  ]);
  installModules();
  build();
}

function installPackages(names) {
  const missing = names.filter((name) => !packages[name].some((program) => existsSync(program)));
  if (missing.length === 0) return;
  const command = `apt-get install --yes --no-install-recommends ${missing.join(' ')}`;
  if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) {
    stop(
      `Missing on this machine: ${missing.join(', ')}. Install ${missing.length > 1 ? 'them' : 'it'} as root, on Debian with:\n  apt-get update && ${command}`,
    );
  }
  say(`installing ${missing.join(', ')} (Debian packages)`);
  run('apt-get', ['update', '--quiet=2']);
  run('apt-get', ['install', '--yes', '--quiet=2', '--no-install-recommends', ...missing], {
    DEBIAN_FRONTEND: 'noninteractive',
  });
}

function installModules() {
  const done = join(top, 'node_modules/.package-lock.json');
  if (existsSync(done) && statSync(done).mtimeMs >= statSync(join(top, 'package-lock.json')).mtimeMs) return;
  say('installing npm packages from the lock file');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
}

function build() {
  const stamp = join(top, 'node_modules/.orbis-build');
  const newest = newestSource();
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === newest) return;
  say('building');
  run('npm', ['run', '--silent', 'build']);
  mkdirSync(join(top, 'node_modules'), { recursive: true });
  writeFileSync(stamp, newest);
}

/* What was changed last, and how many files there are: enough to tell whether a build
   is older than its sources. */
function newestSource() {
  let newest = statSync(join(top, 'package-lock.json')).mtimeMs;
  let count = 0;
  const visit = (folder) => {
    for (const entry of readdirSync(folder, { withFileTypes: true })) {
      if (['node_modules', 'dist', 'test'].includes(entry.name) || entry.name.endsWith('.tsbuildinfo'))
        continue;
      const path = join(folder, entry.name);
      if (entry.isDirectory()) visit(path);
      else {
        newest = Math.max(newest, statSync(path).mtimeMs);
        count++;
      }
    }
  };
  for (const folder of ['core', 'contract', 'sheets', 'service', 'demo', 'cli', 'console', 'bench'])
    visit(join(top, folder));
  return `${newest} ${count}`;
}

/** Runs a program in the checkout; ends the process with its status where it fails. */
export function run(program, args, env = {}) {
  const { status, error } = spawnSync(program, args, {
    cwd: top,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  if (error) stop(`${program} could not be started: ${error.message}`);
  if (status !== 0) stop(`${[program, ...args].join(' ')} failed (status ${status}).`);
}

/** Ends the process with one sentence. */
export function stop(sentence) {
  process.stderr.write(`${sentence}\n`);
  process.exit(1);
}

export const say = (step) => process.stderr.write(`· ${step}\n`);
