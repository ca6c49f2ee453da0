// As it is developed, the worker is TypeScript. A thread that were taught that would need seconds to begin;
// so all of it is made one file, once for each state of the sources. What is built does without this.
import { mkdirSync, readdirSync, renameSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { build } from 'esbuild';

const top = fileURLToPath(new URL('../../../', import.meta.url));
const folder = join(top, 'node_modules/.cache/orbis');
const sources = ['core/src', 'contract/src', 'service/src/reading'];

/* The newest change of any source; what is made of them holds until then. */
const newest = Math.max(
  ...sources.flatMap((name) =>
    readdirSync(join(top, name), { recursive: true, withFileTypes: true }).map(
      (entry) => statSync(join(entry.parentPath, entry.name)).mtimeMs,
    ),
  ),
);
const file = join(folder, `worker-${Math.round(newest)}.mjs`);

/* Libraries are loaded from where they are: some look beside themselves for more as they run. */
const librariesStay = {
  name: 'libraries-stay',
  setup: (making) => {
    making.onResolve({ filter: /^[^./]/ }, async ({ path, pluginData, ...from }) => {
      if (
        pluginData === librariesStay ||
        path.startsWith('@orbis/') ||
        path.startsWith('node:') ||
        from.kind === 'entry-point'
      )
        return null;
      const { path: found } = await making.resolve(path, { ...from, pluginData: librariesStay });
      return { path: found, external: true };
    });
  },
};

async function make() {
  mkdirSync(folder, { recursive: true });
  // Of several that make it at once each writes its own, and any of them will do.
  const own = `${file}.${process.pid}.${Math.random()}`;
  await build({
    entryPoints: [fileURLToPath(new URL('worker.ts', import.meta.url))],
    outfile: own,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    conditions: ['development'],
    plugins: [librariesStay],
    logLevel: 'error',
  });
  renameSync(own, file);
}

const there = () => statSync(file, { throwIfNoEntry: false }) !== undefined;
if (!there()) await make();
export const {
  readTexts,
  summariseTexts,
  mendTexts,
  harvestPage,
  reconcilePage,
  lookAtPage,
  specimenSeen,
  fileSeen,
  learnFrom,
  linkedPage,
  oembedAnswer,
  workOut,
  workOutPage,
  fileFacts,
  robots,
  sheetFile,
  sitemap,
  sitemapsNamed,
  pageLinks,
  providerList,
  pageStyles,
  pageWithRoom,
  look,
  compare,
} = await import(pathToFileURL(file).href);
