/* Registers with the demo’s data as earlier versions made them (npm run keep-register). */
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { expect } from 'chai';
import mysql from 'mysql2/promise';
import { pino } from 'pino';
import { createClient } from '@orbis/contract';
import { readSettings, startOrbis } from '@orbis/service';
import { newDatabase } from './support/database.ts';
import { password } from './support/orbis.ts';
import { toldOtherwise, type Told } from './support/told.ts';

const folder = new URL('registers/', import.meta.url);
const read = (name: string): string => gunzipSync(readFileSync(new URL(name, folder))).toString();
const names = readdirSync(folder)
  .filter((name) => name.endsWith('.sql.gz'))
  .map((name) => name.slice(0, 4));

describe('a register that was kept', () => {
  it('is there', () => expect(names).to.include('0050'));

  for (const name of names)
    it(`comes up as ${name} made it, and answers all that it answered`, async () => {
      const data = mkdtempSync(join(tmpdir(), 'orbis-test-'));
      const database = await newDatabase();
      const connection = await mysql.createConnection({ uri: database, multipleStatements: true });
      await connection.query(read(`${name}.sql.gz`));
      await connection.end();
      const settings = readSettings(
        {
          ...{ ORBIS_DATA: data, ORBIS_DATABASE_URL: database, ORBIS_PORT: '0', ORBIS_FRAMES_PORT: '0' },
          ...{ ORBIS_ASK_EVERY: '0', ORBIS_COPY_BEFORE_UPGRADE: 'no' },
        },
        data,
      );
      const orbis = await startOrbis(settings, { log: pino({ level: 'silent' }), readsTicked: false });
      try {
        const url = orbis.origins.console;
        const body = { body: { password, name: 'after', person: 'Tester' } };
        const { token } = (await createClient({ url }).call('tokens.exchange', body)).data;
        const client = createClient({ url, headers: { authorization: `Bearer ${token}` } });
        const told = JSON.parse(read(`${name}.told.json.gz`)) as Told[];
        expect(told.length).to.be.greaterThan(50);
        expect(await toldOtherwise(client, told)).to.deep.equal([]);
      } finally {
        await orbis.stop();
        rmSync(data, { recursive: true, force: true });
      }
    });
});
