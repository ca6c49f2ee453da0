// As it is developed, the worker is TypeScript. A thread that were taught that would need seconds to begin;
// so all of it is made one file, once for each state of the sources, as it is for what is built.
import { mkdirSync, readdirSync, renameSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

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
const file = join(folder, `reading-${Math.round(newest)}.mjs`);

async function make() {
  const { putTogether } = await import('../../../scripts/put-together.mjs');
  mkdirSync(folder, { recursive: true });
  // Of several that make it at once each writes its own, and any of them will do.
  const own = `${file}.${process.pid}.${Math.random()}`;
  await putTogether({
    entryPoints: [fileURLToPath(new URL('worker.ts', import.meta.url))],
    outfile: own,
    conditions: ['development'],
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
