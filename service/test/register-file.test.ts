import { expect } from 'chai';
import { parse } from 'csv-parse/sync';
import { loadDemo } from '@orbis/demo';
import type { RegisterRecord } from '@orbis/contract';
import { refusal, startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { until } from './support/until.ts';

const written = async ({ client }: TestOrbis): Promise<string> => (await client.open('register.read')).text();
const recordsOf = (text: string): RegisterRecord[] =>
  text
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as RegisterRecord);
const taken = ({ client }: TestOrbis, text: string) =>
  client.call('register.create', { text: { type: 'application/x-ndjson', from: new Blob([text]) } });
const settled = ({ client }: TestOrbis): Promise<void> =>
  until(async () => (await client.call('placements.list', { query: { limit: 1 } })).data.waiting === 0);

describe('a whole register as a file', () => {
  let one: TestOrbis;
  let other: TestOrbis;
  let file: string;
  before(async () => {
    one = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    await loadDemo(one.client, one.world.port);
    const { client } = one;
    const { data: sheet } = await client.call('providers.read', { params: { provider: 'slotsedge' } });
    await client.call('providers.save', {
      params: { provider: 'slotsedge' },
      ifMatch: '*',
      body: { text: JSON.stringify(sheet.sheet), accept: true },
    });
    await client
      .call('presets.save', {
        params: { preset: 'small' },
        ifMatch: '*',
        body: { meaning: 'Small', options: { 'max-width': 320 } },
      })
      .catch(() => undefined);
    await client.call('savedSearches.save', {
      params: { search: 'To renew' },
      ifNoneMatch: '*',
      body: { where: 'state=out-of-date' },
    });
    await client.call('rules.change', {
      ifMatch: (await client.call('rules.read')).etag!,
      body: { dropTracking: true },
    });
    const { data: list } = await client.call('placements.list', { query: { limit: 2 } });
    const placement = list.items[0]!.id;
    const { etag } = await client.call('placements.read', { params: { placement } });
    await client.call('placements.delete', { params: { placement }, ifMatch: etag! });
    const page = 'hollinfell/live';
    await client.call('pages.delete', { params: { page }, query: { placements: 'end' }, ifMatch: '*' });
    const spot = 'hollinfell/talks#comet';
    await client.call('spots.delete', { params: { spot }, query: { placements: 'end' }, ifMatch: '*' });
    await client.call('placements.change', {
      params: { placement: list.items[1]!.id },
      body: { note: 'Until May.', paused: true },
      ifMatch: '*',
    });
    await client.call('spots.create', {
      body: {
        key: 'hollinfell/talks#advert',
        heights: { phone: 50, desktop: 90 },
        selector: 'main > .advert',
      },
    });
    await client.call('sharedSpots.create', {
      body: { key: 'hollinfell#advert', under: 'ta', selector: 'aside', takesIn: true },
    });
    await client.call('terms.writeOfProvider', {
      params: { provider: 'mapmere' },
      ifMatch: '*',
      body: {
        viewsAMonth: 9000,
        price: { amount: 4.5, currency: 'EUR', every: 'month' },
        ends: '2027-02-28',
      },
    });
    await settled(one);
    const { data: made } = await client.call('changeLists.create', { body: { name: 'All', where: '' } });
    const { data: listed } = await client.call('changeListPages.list', { params: { list: made.id } });
    await client.call('changeListPages.tick', {
      params: { list: made.id, page: listed.items[0]!.page },
      body: { work: listed.items[0]!.work },
    });
    file = await written(one);
    other = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
  });
  after(async () => {
    await one.stop();
    await other.stop();
  });

  it('has everything, each line after what it names, and says at its end how many lines there are', () => {
    const records = recordsOf(file);
    expect(records[0]).to.include({ type: 'register', format: 1 });
    expect(records.at(-1)).to.deep.equal({ type: 'end', lines: records.length - 1 });
    expect(new Set(records.map(({ type }) => type))).to.include.all.keys(
      ...[
        'rules',
        'sheet',
        'site',
        'page',
        'spot',
        'sharedSpot',
        'embed',
        'source',
        'revision',
        'placement',
        'delivery',
        'terms',
        'need',
        'changeList',
        'changeListPage',
      ],
    );
    expect(file).to.not.include('createdBy');
  });

  it('refuses a file that is not whole, or not one, with its line, and takes nothing in', async () => {
    const lines = file.trim().split('\n');
    // Not the first of its kind: the line is known all the same.
    const at = lines.findIndex((line) => line.includes('"type":"placement"')) + 2;
    const without = (kinds: RegExp): string => {
      const left = lines.slice(0, -1).filter((line) => !kinds.test(line));
      return [...left, JSON.stringify({ type: 'end', lines: left.length })].join('\n');
    };
    const cases: [string, string, RegExp][] = [
      ['broken off', lines.slice(0, -1).join('\n'), /^Line \d+: the file breaks off/],
      [
        'a line too few',
        lines.toSpliced(-2, 1).join('\n'),
        /^Line \d+: there should be \d+ lines before it, and there are/,
      ],
      ['no first line', lines.slice(1).join('\n'), /^Line 1: a register file begins with one line/],
      ['no JSON', `${lines[0]}\n{"type":`, /^Line 2: it is no JSON text in UTF-8/],
      [
        'an unknown kind',
        `${lines[0]}\n{"type":"person"}`,
        /^Line 2: its type should be one of register, rules/,
      ],
      [
        'an unknown member',
        lines.with(1, '{"type":"rules","rules":{"dropTracking":true},"x":1}').join('\n'),
        /^Line 2: /,
      ],
      [
        'a place that is not there',
        lines.with(at, lines[at]!.replace(/"place":"[^"]*"/, '"place":"nowhere/x#y"')).join('\n'),
        new RegExp(`^Line ${at + 1}: there is no page “nowhere/x” in the lines before`),
      ],
      [
        'the same twice',
        lines.toSpliced(at, 0, lines[at]!).join('\n'),
        new RegExp(`^Line ${at + 2}: this placement is there already`),
      ],
      [
        'a colour that is none',
        lines.map((line) => line.replace(/"colours":\["#[0-9a-f]{6}"/, '"colours":["url(x)"')).join('\n'),
        /^Line \d+: “colours\/0”: /,
      ],
      [
        'a revision of a code that is not there',
        lines.map((line) => line.replace(/("type":"revision".*"source":)1/, '$199')).join('\n'),
        /^Line \d+: there is no source “99 of [a-z-]+” in the lines before/,
      ],
      [
        'an embed without a revision',
        without(/"type":"(?:revision|placement|delivery)"/),
        /^Line \d+: the embed “[^”]+” has no code, or no revision/,
      ],
      [
        'a delivery without a code for its spot',
        lines.map((line) => line.replaceAll('"position":"spot"', '"position":"file"')).join('\n'),
        /^Line \d+: “snippets”: has a code for its spot, and only one/,
      ],
      [
        'a form of another time',
        lines.with(0, lines[0]!.replace('"format":1', '"format":2')).join('\n'),
        /^Line 1: another Orbis wrote this file/,
      ],
    ];
    for (const [what, text, said] of cases) {
      const { problem } = await refusal(taken(other, text));
      expect(problem.code, what).to.equal('register-file-invalid');
      expect(problem.detail, what).to.match(said);
    }
    expect((await other.client.call('sites.list', { query: {} })).data.items).to.deep.equal([]);
  });

  it('comes out of an empty Orbis again as it went in', async () => {
    const { data, status } = await taken(other, file);
    expect(status).to.equal(201);
    const records = recordsOf(file);
    expect(data.lines.embed).to.equal(records.filter(({ type }) => type === 'embed').length);
    await settled(other);
    const again = recordsOf(await written(other));
    expect(again.slice(1)).to.deep.equal(records.slice(1));
  });

  it('answers the same: lists, searches, plans, heads, and what is served', async () => {
    const answers = async ({ client }: TestOrbis) => {
      const { data: placements } = await client.call('placements.list', { query: { limit: 200 } });
      const { data: embeds } = await client.call('embeds.list', { query: { limit: 200 } });
      const { data: found } = await client.call('embeds.list', {
        query: { where: 'host=play.kinorill.localhost' },
      });
      const { data: pages } = await client.call('pages.list', { query: { limit: 200 } });
      const { data: sites } = await client.call('sites.list', { query: {} });
      const { data: shared } = await client.call('sharedSpots.list', { query: {} });
      const { data: plan } = await client.call('plans.read', { params: { page: 'hollinfell/talks' } });
      const { data: head } = await client.call('heads.read', { params: { site: 'hollinfell' } });
      return {
        placements,
        embeds: embeds.items,
        found: found.items.map(({ key }) => key),
        pages,
        sites,
        shared: shared.items,
        plan,
        head,
      };
    };
    const [before, after] = [await answers(one), await answers(other)];
    // Lists go on by row, which differs; pictures are taken again.
    const plain = ({ placements, pages, sites, embeds, ...rest }: typeof before) => ({
      placements: placements.items,
      pages: pages.items,
      sites: sites.items,
      embeds: embeds.map(
        ({ picture: _picture, ...embed }: { picture?: unknown } & (typeof embeds)[number]) => embed,
      ),
      ...rest,
    });
    expect(plain(after)).to.deep.equal(plain(before));
  });

  it('is taken in only where there is nothing yet', async () => {
    const { problem } = await refusal(taken(other, file));
    expect(problem.code).to.equal('register-not-empty');
    const { data } = await other.client.call('changes.list', { query: { limit: 1 } });
    expect(data.items[0]!.said).to.match(/^Took in a register of \d+ lines$/);
  });

  it('needs its type said', async () => {
    const { problem } = await refusal(
      other.client.call('register.create', { text: { type: 'text/plain', from: new Blob([file]) } }),
    );
    expect(problem.detail).to.equal('This takes application/x-ndjson; what arrived is text/plain.');
  });

  it('is a table of placements as well, in which nothing is a formula', async () => {
    const { client } = one;
    const { etag } = await client.call('embeds.read', { params: { embed: 'turning-sky' } });
    await client.call('embeds.change', {
      params: { embed: 'turning-sky' },
      ifMatch: etag!,
      body: { name: '=1+1, "sky"' },
    });
    const response = await client.open('register.table');
    expect(response.headers.get('content-type')).to.match(/^text\/csv/);
    expect(response.headers.get('content-disposition')).to.match(
      /^attachment; filename="orbis-[\d-]+\.csv"$/,
    );
    const rows: Record<string, string>[] = parse(await response.text(), { columns: true });
    const { data } = await client.call('placements.list', { query: { limit: 200 } });
    expect(rows.map(({ placement }) => placement)).to.deep.equal(data.items.map(({ id }) => id));
    expect(rows.find(({ embed }) => embed === 'turning-sky')).to.deep.include({
      name: `'=1+1, "sky"`,
      state: 'live',
      site: 'hollinfell',
    });
  });
});
