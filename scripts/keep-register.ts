// Keeps a register as this version makes it, on which later ones are tried: its dump, and what it answers.
import { readFileSync, writeFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { loadDemo } from '@orbis/demo';
import { dumped } from '../service/src/copies/dump.ts';
import '../service/test/support/loopback.ts';
import { mochaHooks } from '../service/test/support/database.ts';
import { startTestOrbis } from '../service/test/support/orbis.ts';
import { askAll } from '../service/test/support/told.ts';

const folder = new URL('../service/test/registers/', import.meta.url);
const journal = new URL('../service/migrations/meta/_journal.json', import.meta.url);

/* Named by the newest migration, such as 0050. */
function nameOfSchema(): string {
  const { entries } = JSON.parse(readFileSync(journal, 'utf8')) as { entries: { tag: string }[] };
  return entries.at(-1)!.tag.split('_')[0]!;
}

const test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
try {
  await loadDemo(test.client, test.world.port);
  const told = await askAll(test.client);
  const chunks: Buffer[] = [];
  for await (const chunk of dumped(test.database)) chunks.push(chunk);
  const name = nameOfSchema();
  writeFileSync(new URL(`${name}.sql.gz`, folder), gzipSync(Buffer.concat(chunks), { level: 9 }));
  writeFileSync(new URL(`${name}.told.json.gz`, folder), gzipSync(JSON.stringify(told), { level: 9 }));
  process.stdout.write(`${name}: ${told.length} answers kept.\n`);
} finally {
  await test.stop();
  await mochaHooks.afterAll();
}
