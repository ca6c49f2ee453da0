// One archive with all that a machine needs to run Orbis, beside Node and MariaDB.
import { createHash } from 'node:crypto';
import { cpSync, mkdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { run, say, setUp, top } from './setup.mjs';

const help = `npm run package [-- --to FOLDER]

Makes orbis-VERSION-PLATFORM.tar.gz in FOLDER (var/package), and the digest of it beside it: what Orbis runs
with, without what it is built and tested with, for machines of this platform. docs/install.md says how it is
installed.
`;

/* The workspaces that run, each with what it needs of itself at run time. */
const running = {
  core: ['dist', 'package.json'],
  contract: ['dist', 'package.json'],
  sheets: ['dist', 'built-in', 'package.json'],
  service: ['dist', 'bin', 'migrations', 'package.json'],
  cli: ['dist/orbis.mjs', 'bin', 'package.json'],
  console: ['dist', 'src/mark.svg', 'package.json'],
};
/* The others are named in the lock file only. */
const unused = ['demo', 'bench'];
/* They have no modules of their own at run time: each is built into one piece. */
const built = ['cli', 'console'];

const quiet = ['--no-audit', '--no-fund', '--loglevel=error'];

const { values } = parseArgs({
  options: { to: { type: 'string', default: join(top, 'var/package') }, help: { type: 'boolean' } },
});
async function pack(to) {
  setUp();
  // It reads what has just been built.
  const { environmentFile } = await import('./package/environment-file.mjs');
  const { version } = JSON.parse(readFileSync(join(top, 'package.json'), 'utf8'));
  const name = `orbis-${version}`;
  const folder = join(to, name);
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  say('fetching the modules that it runs with');
  putModules(folder);
  say('putting it together');
  putOrbis(folder, version);
  writeFileSync(join(folder, 'orbis.env'), environmentFile());
  const archive = join(to, `${name}-${process.platform}-${process.arch}.tar.gz`);
  run('tar', [
    ...['--create', '--gzip', '--file', archive, '--directory', to, '--sort=name'],
    ...['--owner=0', '--group=0', '--numeric-owner', '--mode=u=rwX,go=rX', name],
  ]);
  rmSync(folder, { recursive: true });
  const digest = createHash('sha256').update(readFileSync(archive)).digest('hex');
  writeFileSync(`${archive}.sha256`, `${digest}  ${archive.slice(to.length + 1)}\n`);
  process.stdout.write(`${archive}\n`);
}

/* By the lock file, for which npm wants to see all that it names; then without what only the others need. */
function putModules(folder) {
  for (const file of ['package.json', 'package-lock.json', ...workspaces().map(manifestOf)])
    cpSync(join(top, file), join(folder, file));
  const wanted = Object.keys(running).filter((name) => !built.includes(name));
  run('npm', [
    ...['ci', '--prefix', folder, '--omit=dev', '--ignore-scripts', ...quiet],
    ...wanted.flatMap((name) => ['--workspace', name]),
  ]);
  for (const name of [...unused, 'package-lock.json']) rmSync(join(folder, name), { recursive: true });
  withoutOthers(join(folder, 'package.json'), { workspaces: wanted });
  for (const name of wanted) withoutOthers(join(folder, manifestOf(name)), {});
  run('npm', [
    ...['prune', '--prefix', folder, '--omit=dev', '--ignore-scripts', '--no-package-lock'],
    ...quiet,
  ]);
  for (const name of ['node_modules/.package-lock.json', 'node_modules/.bin'])
    rmSync(join(folder, name), { recursive: true, force: true });
}

function withoutOthers(path, more) {
  const { devDependencies: _dev, ...kept } = JSON.parse(readFileSync(path, 'utf8'));
  writeFileSync(path, `${JSON.stringify({ ...kept, ...more }, null, 2)}\n`);
}

const workspaces = () => [...Object.keys(running), ...unused];
const manifestOf = (name) => `${name}/package.json`;

function putOrbis(folder, version) {
  for (const [name, parts] of Object.entries(running))
    for (const part of parts)
      cpSync(join(top, name, part), join(folder, name, part), { recursive: true, filter: isForRunning });
  for (const part of ['LICENSE', 'README.md', 'CHANGELOG.md', 'SECURITY.md', 'docs', 'packaging'])
    cpSync(join(top, part), join(folder, part), { recursive: true });
  mkdirSync(join(folder, 'bin'));
  symlinkSync('../cli/bin/orbis.mjs', join(folder, 'bin/orbis'));
  symlinkSync('../packaging/orbis-admin', join(folder, 'bin/orbis-admin'));
  for (const program of ['install', 'remove']) symlinkSync(`packaging/${program}`, join(folder, program));
  writeFileSync(join(folder, 'package.json'), manifestInArchive(version));
}

/* Neither types nor maps. */
const isForRunning = (path) => !/\.(?:d\.ts|map|tsbuildinfo)$/.test(path);

/* With the same names for its programs as in a checkout. */
function manifestInArchive(version) {
  const { name, description, license, type, engines } = JSON.parse(
    readFileSync(join(top, 'package.json'), 'utf8'),
  );
  const programs = ['backup', 'restore', 'reset-password'];
  const scripts = Object.fromEntries(programs.map((each) => [each, `bin/orbis-admin ${each}`]));
  const manifest = { ...{ name, version, private: true, description, license, type, engines }, scripts };
  return `${JSON.stringify(manifest, null, 2)}\n`;
}

if (values.help) process.stdout.write(help);
else await pack(resolve(values.to));
