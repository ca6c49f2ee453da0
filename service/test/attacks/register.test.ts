/*
 * `GET /placements?state=altered` read every placement with all its texts, seven tables joined, for each page
 * that was asked for: twelve such questions muted the service.
 */
import { expect } from 'chai';
import { sql } from 'drizzle-orm';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../support/orbis.ts';

describe('attack: the register, by questions', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
    await test.client.call('embeds.create', { body: { name: 'Talk', text: talkCode(1) } });
    await test.client.call('placements.create', {
      body: { embed: 'talk', place: 'hollinfell/talks#opening' },
    });
    const { db } = test.orbis.connection;
    // Many spots with a placement each, all seen live but for a few.
    await db.execute(
      sql`insert into spot (page_id, name, phone, tablet, desktop, created_at) select s.page_id, concat('s-', n.seq), s.phone, s.tablet, s.desktop, s.created_at from spot s join seq_1_to_5000 n`,
    );
    await db.execute(
      sql`insert into placement (public_id, spot_id, page_id, site_id, embed_id, seen, state, stale, findings, options, created_at) select lower(lpad(conv(spot.id, 10, 16), 10, '0')), spot.id, page.id, page.site_id, (select id from embed limit 1), if(spot.id % 1000 = 0, 'altered', 'live'), if(spot.id % 1000 = 0, 'altered', 'live'), 'no', '[]', '{}', utc_timestamp(3) from spot join page on page.id = spot.page_id where spot.name like 's-%'`,
    );
    await db.execute(sql`analyze table placement, spot, page`);
  });
  after(() => test.stop());

  /* How many rows the server handles for a question. */
  const rowsRead = async (ask: () => Promise<unknown>): Promise<number> => {
    const { db } = test.orbis.connection;
    const handled = async (): Promise<number> => {
      const [rows] = (await db.execute(sql`show global status like 'Handler_read%'`)) as unknown as [
        { Value: string }[],
      ];
      return rows.reduce((sum, { Value }) => sum + Number(Value), 0);
    };
    const before = await handled();
    await ask();
    return (await handled()) - before;
  };

  for (const state of ['altered', 'missing', 'planned', 'unreachable'] as const) {
    it(`reads few rows for ${state}`, async () => {
      let shown = 0;
      const read = await rowsRead(async () => {
        shown = (await test.client.call('placements.list', { query: { state, limit: 50 } })).data.items
          .length;
      });
      expect(shown).to.equal({ altered: 5, missing: 0, planned: 1, unreachable: 0 }[state]);
      // Signing in, sheets and rules are asked for as well.
      expect(read).to.be.below(400 + shown * 40);
    });
  }

  it('reads few rows for the first page, and for one in the middle', async () => {
    for (const after of [undefined, '2500']) {
      const read = await rowsRead(() => test.client.call('placements.list', { query: { limit: 10, after } }));
      expect(read, String(after)).to.be.below(400 + 10 * 40);
    }
  });
});
