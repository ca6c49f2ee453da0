import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect } from 'chai';
import { loopbackFetch } from '@orbis/demo';
import { blocksOf, isAsExpected, type Block } from './support/blocks.ts';
import { startRelay, type Relay } from './support/relay.ts';

const top = fileURLToPath(new URL('../../', import.meta.url));

/* In the order in which they are read: what one page does is there on the next. */
const documents = [
  'README.md',
  ...[
    'collect',
    'adjust',
    'look',
    'frame',
    'place',
    'check',
    'news',
    'keep',
    'providers',
    'run',
    'copies',
    'people',
  ].map((name) => `docs/${name}.md`),
  'docs/work-on-it.md',
  'docs/provider-sheets.md',
  'docs/interface.md',
  'CONTRIBUTING.md',
];

/* What these lines do is done around the blocks: the demo runs for all of them, and this is a test. */
const doneAround = ['npm run demo', 'npm test'];

/* Typed on a machine of its own by `npm run tour`. */
const onTour = ['docs/install.md'];

describe('the book', () => {
  it('has its shell blocks in documents that are run here, and under no other name', () => {
    const all = ['.', 'docs', 'docs/decisions'].flatMap((folder) =>
      readdirSync(join(top, folder))
        .filter((name) => name.endsWith('.md'))
        .map((name) => join(folder, name)),
    );
    for (const file of all) {
      const text = readFileSync(join(top, file), 'utf8');
      expect(text, file).to.not.match(/^ *(?:```|~~~)(?:bash|shell|console|zsh)/m);
      if (/^ *```sh/m.test(text)) expect([...documents, ...onTour]).to.include(file);
      expect([...text.matchAll(/^```sh$/gm)].length, file).to.equal(blocksOf(file).length);
    }
  });

  for (const [text, expected, isRight] of [
    ['a\nb\n', 'a\nb\n', true],
    ['a 12 c\n', 'a … c\n', true],
    ['a\nx\ny\nb\n', 'a\n…\nb\n', true],
    ['a\nb\nc\n', 'a\nb\n', false],
    ['a.b\n', 'axb\n', false],
  ] as const)
    it(`holds ${JSON.stringify(text)} against ${JSON.stringify(expected)}`, () =>
      expect(isAsExpected(text, expected)).to.equal(isRight));
});

describe('every shell block of the README and the book, on the demo', () => {
  const folder = mkdtempSync(join(tmpdir(), 'orbis-book-'));
  let demo: ChildProcess;
  let env: NodeJS.ProcessEnv;
  let relay: Relay;

  before(async () => {
    const data = join(folder, 'data');
    demo = spawn('npm', ['run', '--silent', 'demo'], {
      cwd: top,
      env: { ...process.env, ORBIS_DATA: data, NODE_OPTIONS: '' },
      detached: true,
    });
    await printed(demo, 'The demo is running.');
    const { url, token } = JSON.parse(readFileSync(join(data, 'cli.json'), 'utf8')) as Record<string, string>;
    symlinkSync(join(top, 'demo'), join(folder, 'demo'));
    relay = await startRelay(folder, { ORBIS_URL: url!, ORBIS_TOKEN: token! }, loopbackFetch());
    // Programs for the server's own machine find by that which Orbis is meant.
    env = { ...process.env, ORBIS_URL: url, ORBIS_TOKEN: token, ORBIS_DATA: data, NODE_OPTIONS: '' };
    forgetCopies();
  });
  after(async () => {
    await relay.stop();
    await ended(demo);
    rmSync(folder, { recursive: true, force: true });
    forgetCopies();
  });

  for (const block of documents.flatMap(blocksOf))
    it(`${block.file}, line ${block.line}: ${block.script.split('\n')[0]}`, async () => {
      const lines = block.script.trim().split('\n');
      if (lines.every((line) => doneAround.includes(line))) return;
      // What is started with the same words was started before.
      if (block.script.trim() === 'npm start' && block.file !== documents[0]) return;
      if (/(?:^| )npm start$/.test(block.script.trim())) return startsAndStops(block);
      const { status, out, err } = await shell(block.script);
      expect(status, `${out}${err}`).to.equal(0);
      if (block.expected !== null)
        expect(isAsExpected(out, block.expected), `${out}\n--- is not\n${block.expected}`).to.equal(true);
    });

  async function shell(script: string): Promise<{ status: number | null; out: string; err: string }> {
    const cwd = script.includes('npm ') ? top : folder;
    const child = spawn('bash', ['-c', relay.prelude + script], { cwd, env });
    let [out, err] = ['', ''];
    child.stdout.on('data', (data: Buffer) => (out += data.toString()));
    child.stderr.on('data', (data: Buffer) => (err += data.toString()));
    const status = await new Promise<number | null>((resolve) => child.on('close', resolve));
    return { status, out, err };
  }

  /* On free ports and with data of its own, as the demo is running. */
  async function startsAndStops({ script }: Block): Promise<void> {
    const data = mkdtempSync(join(tmpdir(), 'orbis-start-'));
    const service = spawn('bash', ['-c', script], {
      cwd: top,
      env: {
        ...process.env,
        ORBIS_DATA: data,
        ORBIS_PORT: '0',
        ORBIS_FRAMES_PORT: '0',
        NODE_OPTIONS: '',
      },
      detached: true,
    });
    try {
      await printed(service, '/set-password#');
    } finally {
      await ended(service);
      rmSync(data, { recursive: true, force: true });
    }
  }
});

/* What the chapter on safety copies makes. */
const forgetCopies = (): void =>
  ['/tmp/orbis-copies', '/tmp/orbis-put-back'].forEach((path) =>
    rmSync(path, { recursive: true, force: true }),
  );

/* Until a program has printed this; refused where it ends before. */
function printed(child: ChildProcess, text: string): Promise<void> {
  return new Promise((resolve, reject) => {
    let all = '';
    const read = (data: Buffer): void => {
      all += data.toString();
      if (all.includes(text)) resolve();
    };
    child.stdout!.on('data', read);
    child.stderr!.on('data', read);
    child.on('exit', (status) => reject(new Error(`It ended with ${status}:\n${all}`)));
  });
}

/* With all that it started. */
function ended(child: ChildProcess): Promise<void> {
  if (child.exitCode !== null || child.pid === undefined) return Promise.resolve();
  const { pid } = child;
  return new Promise((resolve) => {
    child.on('close', () => resolve());
    process.kill(-pid, 'SIGTERM');
  });
}
