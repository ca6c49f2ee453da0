/* Registers that earlier versions made: a dump of each, and what was in it as that version told it. */
import { readFileSync } from 'node:fs';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import mysql from 'mysql2/promise';
import { pino } from 'pino';
import { createClient, type Client } from '@orbis/contract';
import { readSettings, startOrbis, type Orbis } from '@orbis/service';
import { newDatabase } from './support/database.ts';
import { password } from './support/orbis.ts';

interface Told {
  text: string;
  revisions: { number: number; settings: Record<string, unknown> & { parameters?: Record<string, string> }; dress: Record<string, unknown> }[];
}
interface ToldDelivery {
  placement: string;
  number: number;
  text: string;
  runs: { text: string; stage?: string; reason?: string }[][];
}

const read = (name: string): string => readFileSync(new URL(`registers/${name}`, import.meta.url), 'utf8');

/* As this version keeps them: one flat object. */
const flat = ({ settings: { parameters = {}, ...settings }, dress }: Told['revisions'][number]): Record<string, unknown> => ({
  ...settings,
  ...dress,
  ...Object.fromEntries(Object.entries(parameters).map(([name, value]) => [`parameter.${name}`, value])),
});

describe('a register that the version before made', function () {
  this.timeout(60_000);
  const folder = mkdtempSync(join(tmpdir(), 'orbis-test-'));
  let orbis: Orbis;
  let client: Client;
  const { deliveries, ...embeds } = JSON.parse(read('0008.json')) as Record<string, Told> & { deliveries: unknown };
  before(async () => {
    const database = await newDatabase();
    const connection = await mysql.createConnection({ uri: database, multipleStatements: true });
    await connection.query(read('0008.sql'));
    await connection.end();
    const settings = readSettings({ ORBIS_DATA: folder, ORBIS_DATABASE_URL: database, ORBIS_PORT: '0', ORBIS_FRAMES_PORT: '0' }, folder);
    orbis = await startOrbis(settings, { log: pino({ level: 'silent' }) });
    const url = orbis.origins.console;
    const { data } = await createClient({ url }).call('tokens.exchange', { body: { password, name: 'after' } });
    client = createClient({ url, headers: { authorization: `Bearer ${data.token}` } });
  });
  after(async () => {
    await orbis.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  it('has every option of every revision, flat, and comes out byte for byte as it did', async () => {
    expect(Object.keys(embeds).sort()).to.deep.equal(['map', 'moor', 'opening-talk', 'plain']);
    for (const [embed, { text, revisions }] of Object.entries(embeds)) {
      const { data } = await client.call('embeds.read', { params: { embed } });
      expect((await client.call('compositions.create', { body: { embed, options: data.current.options } })).data.text, embed).to.equal(text);
      const { items } = (await client.call('revisions.list', { params: { embed } })).data;
      expect(items.map(({ number, options }) => [number, options])).to.deep.equal(revisions.map((row) => [row.number, flat(row)]));
    }
    const named = Object.keys(flat(embeds['opening-talk']!.revisions.at(-1)!)).filter((name) => name.startsWith('parameter.'));
    expect(named).to.have.length(3);
  });

  it('has everything that was handed out, each reason as it was told then', async () => {
    const told = deliveries as ToldDelivery[];
    expect(told.length).to.be.at.least(3);
    const stages: Record<string, string> = { dress: 'presentation' };
    for (const { placement, number, text, runs } of told) {
      const { items } = (await client.call('deliveries.list', { params: { placement } })).data;
      const now = items.find((delivery) => delivery.number === number)!;
      expect(now.text).to.equal(text);
      const [snippet] = now.snippets;
      expect(snippet!.runs.map((run) => run.text).join('')).to.equal(text);
      const was = runs[0]!.map((run) => [run.text, stages[run.stage ?? ''] ?? run.stage, run.reason]);
      expect(snippet!.runs.map((run) => (run.from === 'source' ? [run.text, undefined, undefined] : [run.text, run.stage, run.reason]))).to.deep.equal(was);
    }
  });

  it('has its presets, its past changes and the owner’s own sheets', async () => {
    const { data: preset } = await client.call('presets.read', { params: { preset: 'quiet-round' } });
    expect(preset.options).to.deep.equal({ 'muted': true, 'fit': 'shape', 'parameter.hue': '7' });
    const [change] = (await client.call('changes.list', {})).data.items;
    expect(change).to.deep.include({ where: '-option=loop kind=video', said: 'loop=on' });
    expect((await client.call('embeds.list', { query: { where: 'option=parameter.hue or option=loop' } })).data.items.map(({ key }) => key)).to.deep.equal([
      'moor',
      'opening-talk',
    ]);
    const { data: provider } = await client.call('providers.read', { params: { provider: 'moorreel' } });
    expect(provider.text).to.include('\nprivacyHost: { host: quiet.moorreel.localhost').and.include("companions: [{ name: round, value: '{id}' }] } # beside the point: quiet");
    expect(provider.sheet).to.have.nested.property('settings.loop.companions').that.has.length(1);
    expect(provider.sheet.privacyHost).to.deep.equal({ host: 'quiet.moorreel.localhost', instead: 'play.moorreel.localhost' });
  });
});
