import { createHash } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createConnection, type Connection } from 'mysql2/promise';
import { read } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import { line } from './figures.ts';
import { started, timed } from './started.ts';

const many = 10_000;
const text = (i: number): string =>
  `<iframe src="https://play.kinorill.localhost/film/r${i}?knobs=1&amp;from=${i % 90}" title="Talk ${i}" width="640" height="360" allow="fullscreen"></iframe>`;

/**
 * Many codes taken in, and many embeds changed at once, through the service's interface with a real MariaDB,
 * against reading the same codes and putting the same rows there by hand-written SQL.
 */
export async function collection(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'orbis-bench-'));
  const service = await started(folder);
  try {
    const { client } = service;
    const items = Array.from({ length: many }, (_, i) => ({
      name: `Talk ${i}`,
      text: text(i),
      tags: ['bench'],
    }));
    const texts = items.map((item) => item.text);
    const sql = await createConnection(service.database);
    // Both sides have run before, as a service that has been up for a while has.
    const warm = texts.slice(0, 500);
    await byHand(sql, 'warm', warm);
    await changeByHand(sql, 'warm', warm);
    await client.call('imports.create', {
      body: { items: warm.map((code, i) => ({ name: `Warm ${i}`, text: code, tags: ['warm'] })) },
    });
    await client.call('changes.create', { body: { where: 'tag=warm', options: { start: 112, end: 184 } } });
    const bareImport = await timed(() => byHand(sql, 'bare', texts));
    const taken = await timed(() => client.call('imports.create', { body: { items } }));
    const bareChange = await timed(() => changeByHand(sql, 'bare', texts));
    const changed = await timed(async () => {
      const { data } = await client.call('changes.create', {
        body: { where: 'tag=bench', options: { start: 112, end: 184 } },
      });
      if (data.change?.embeds !== many) throw new Error('not all were changed');
    });
    const list = Array.from({ length: 400 }, (_, i) => ({
      provider_name: `Provider ${i}`,
      provider_url: `https://p${i}.localhost/`,
      endpoints: [
        {
          url: `https://p${i}.localhost/oembed`,
          schemes: Array.from({ length: 5 }, (_item, n) => `https://${n}.p${i}.localhost/*`),
        },
      ],
    }));
    const imported = await timed(() =>
      client.call('endpoints.import', { body: { text: JSON.stringify(list) } }),
    );
    await sql.end();
    const most = await service.stop();
    const row = (label: string, bare: number, full: number): string =>
      line(label, `${(bare / 1000).toFixed(2)} s`, `${(full / 1000).toFixed(2)} s`, (full / bare).toFixed(2));
    return [
      `${many.toLocaleString('en')} codes, through the interface with MariaDB, against reading them and writing the same rows by hand\n`,
      line('what', 'by hand', 'Orbis', 'times'),
      row('taken in', bareImport, taken),
      row('changed at once', bareChange, changed),
      `\nA list of ${list.length} oEmbed providers was imported in ${(imported / 1000).toFixed(2)} s.\n`,
      `The service took at most ${Math.round(most / 1e6)} MB, its threads and all.\n`,
    ].join('');
  } finally {
    await service.end();
    rmSync(folder, { recursive: true, force: true });
  }
}

type Sql = Connection;

/* The same rows, 500 a statement: embeds, sources, revisions, tags, hosts, what was done, in tables of the
   same shape. */
async function byHand(sql: Sql, prefix: string, texts: readonly string[]): Promise<void> {
  const sheets = builtInSheets();
  for (const table of ['embed', 'source', 'revision', 'embed_tag', 'embed_host', 'change_item'])
    await sql.query(`create table ${prefix}_${table} like ${table}`);
  const now = new Date();
  for (let from = 0; from < texts.length; from += 500) {
    const part = texts
      .slice(from, from + 500)
      .map((code, i) => ({ id: from + i + 1, code, reading: read(code, { sheets }) }));
    await sql.query(
      `insert into ${prefix}_embed (id, \`key\`, name, notes, kind, provider, level, source, revision, version, changed_at, created_at, created_by) values ?`,
      [
        part.map(({ id, reading }) => [
          id,
          `talk-${id}`,
          `Talk ${id}`,
          '',
          reading.kind,
          reading.provider?.id ?? null,
          null,
          1,
          1,
          1,
          now,
          now,
          1,
        ]),
      ],
    );
    await sql.query(`insert into ${prefix}_change_item (change_id, embed_id, \`from\`, \`to\`) values ?`, [
      part.map(({ id }) => [1, id, 0, 1]),
    ]);
    await sql.query(
      `insert into ${prefix}_source (id, embed_id, number, pasted, base, digest, created_at, created_by) values ?`,
      [
        part.map(({ id, code }) => [
          id,
          id,
          1,
          code,
          code,
          createHash('sha256').update(code).digest('hex'),
          now,
          1,
        ]),
      ],
    );
    await sql.query(
      `insert into ${prefix}_revision (id, embed_id, number, source_id, left_out, options, sheet_id, sheet_digest, reason, created_at, created_by) values ?`,
      [part.map(({ id }) => [id, id, 1, id, '[]', '{}', 'kinorill', '', 'imported', now, 1])],
    );
    await sql.query(`insert into ${prefix}_embed_tag (embed_id, tag) values ?`, [
      part.map(({ id }) => [id, 'bench']),
    ]);
    await sql.query(`insert into ${prefix}_embed_host (embed_id, host) values ?`, [
      part.flatMap(({ id, reading }) => reading.hosts.map(({ host }) => [id, host])),
    ]);
  }
}

async function changeByHand(sql: Sql, prefix: string, texts: readonly string[]): Promise<void> {
  const sheets = builtInSheets();
  const now = new Date();
  for (let from = 0; from < texts.length; from += 500) {
    const part = texts
      .slice(from, from + 500)
      .map((code, i) => ({ id: from + i + 1, reading: read(code, { sheets }) }));
    await sql.query(
      `select * from ${prefix}_embed e join ${prefix}_revision r on r.embed_id = e.id and r.number = e.revision join ${prefix}_source s on s.id = r.source_id where e.id in (?)`,
      [part.map(({ id }) => id)],
    );
    await sql.query(
      `update ${prefix}_embed set revision = revision + 1, version = version + 1, changed_at = ? where id in (?)`,
      [now, part.map(({ id }) => id)],
    );
    await sql.query(
      `insert into ${prefix}_revision (embed_id, number, source_id, left_out, options, sheet_id, sheet_digest, reason, created_at, created_by) values ?`,
      [part.map(({ id }) => [id, 2, id, '[]', '{"start":112,"end":184}', 'kinorill', '', 'changed', now, 1])],
    );
    await sql.query(`insert into ${prefix}_change_item (change_id, embed_id, \`from\`, \`to\`) values ?`, [
      part.map(({ id }) => [2, id, 1, 2]),
    ]);
  }
}
