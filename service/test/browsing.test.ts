import { expect } from 'chai';
import sharp from 'sharp';
import { get } from './support/get.ts';
import { declareSite, refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

describe('looking with a browser', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    await declareSite(test);
  });
  after(() => test.stop());
  const bytesOf = ({ data }: { data: string }): Buffer => Buffer.from(data, 'base64');
  const form = (): string =>
    `<form action="http://formwold.localhost:${test.world.port}/in"><p>${'Where the stars are. '.repeat(80)}</p><input name="mail"></form>`;

  it('photographs a preview at a width, as high as it is', async () => {
    const { data } = await test.client.call('pictures.create', {
      body: {
        text: talkCode(test.world.port),
        options: { fit: 'shape', heading: 'A night on the moor' },
        width: 390,
      },
    });
    const { width, height, format } = await sharp(bytesOf(data)).metadata();
    expect([format, width, height]).to.deep.equal(['png', 390, data.height]);
    // The shape, and a heading above it.
    expect(data.height).to.be.within(219 + 20, 219 + 120);
  });

  it('takes a still at the second that is asked for, in three types', async () => {
    const at = async (second: number) =>
      (
        await test.client.call('stills.create', {
          body: {
            text: talkCode(test.world.port),
            at: second,
            width: 320,
            options: { heading: 'Left aside' },
          },
        })
      ).data;
    const still = await at(4);
    expect([still.width, still.height, still.at, still.notes]).to.deep.equal([640, 360, 4, []]);
    expect(still.files.map(({ type }) => type)).to.deep.equal(['image/avif', 'image/webp', 'image/jpeg']);
    for (const file of still.files) {
      const { width, height } = await sharp(bytesOf(file)).metadata();
      expect([width, height, bytesOf(file).length]).to.deep.equal([640, 360, file.bytes]);
    }
    expect(still.blurred).to.match(/^data:image\/webp;base64,/);
    expect(still.blurred.length).to.be.at.most(1500);
    // The film shows its seconds in large figures.
    const pixels = ({ files }: typeof still): Promise<Buffer> =>
      sharp(bytesOf(files[2]!)).greyscale().raw().toBuffer();
    const [one, other] = await Promise.all([still, await at(9)].map(pixels));
    const differing = one!.filter((grey, i) => Math.abs(grey - other![i]!) > 60).length;
    expect(differing).to.be.greaterThan(1000);
  });

  it('says where a player cannot be told its second, and takes it as it begins', async () => {
    const { data } = await test.client.call('stills.create', { body: { text: form(), at: 4 } });
    expect(data.at).to.equal(null);
    expect(data.notes).to.have.length(1);
  });

  it('takes the picture that the provider named, without the provider being asked by visitors', async () => {
    const link = `http://kinorill.localhost:${test.world.port}/k/nB4moorNight`;
    const { data: embed } = await test.client.call('embeds.create', { body: { text: link, ask: true } });
    expect(embed.found?.thumbnail?.url).to.match(/still\.webp$/);
    const { data } = await test.client.call('stills.create', { body: { embed: embed.key, of: 'provider' } });
    expect(data.width / data.height).to.be.closeTo(16 / 9, 0.02);
    expect((await sharp(bytesOf(data.files[2]!)).stats()).isOpaque).to.equal(true);
    expect(
      (await refusal(test.client.call('stills.create', { body: { text: form(), of: 'provider' } }))).code,
    ).to.equal('no-picture-named');
  });

  it('keeps a small picture of an embed for lists, of what its provider named or of what it shows', async () => {
    const made = await test.client.call('embeds.create', {
      body: { name: 'Form for the list', text: form() },
    });
    const params = { embed: made.data.key };
    expect(made.data.picture).to.equal(null);
    expect((await refusal(test.client.call('embeds.picture', { params }))).code).to.equal('not-found');
    const { data } = await test.client.call('embeds.photograph', { params, body: {} });
    expect(data.pictured).to.equal(1);
    expect(data.picture).to.match(/^\/api\/v1\/embeds\/form-for-the-list\/picture\?taken=\d+$/);
    const headers = { authorization: `Bearer ${test.token}` };
    const answer = await fetch(test.url + data.picture!, { headers });
    expect(answer.headers.get('content-type')).to.equal('image/webp');
    expect(answer.headers.get('cache-control')).to.equal('private, max-age=86400');
    const { width, height } = await sharp(await answer.arrayBuffer()).metadata();
    expect([width, height! <= 320]).to.deep.equal([480, true]);
    const again = await get(test.url + data.picture!, {
      headers: { ...headers, 'accept': 'image/webp', 'if-none-match': answer.headers.get('etag')! },
    });
    expect([again.status, again.body]).to.deep.equal([304, '']);
    expect((await fetch(test.url + data.picture!)).status).to.equal(401);
    const { items } = (await test.client.call('embeds.list', { query: {} })).data;
    expect(items.find(({ key }) => key === made.data.key)!.picture).to.equal(data.picture);
    // What is taken out of the collection takes its picture along.
    const { data: changes } = await test.client.call('changes.list', { query: {} });
    const collected = changes.items.find(({ said }) => said.includes('form-for-the-list'))!;
    await test.client.call('changes.undo', { params: { change: collected.id }, body: {} });
    expect((await refusal(test.client.call('embeds.picture', { params }))).code).to.equal('not-found');
  });

  it('measures how high a code is where its text runs on, and says it of no frame that has no height', async () => {
    const widths = [320, 640, 1280];
    const measured = async (text: string, options = {}) =>
      (await test.client.call('measurements.create', { body: { text, widths, options } })).data;
    const { heights, unknown } = await measured(form());
    expect(unknown).to.equal(null);
    expect(heights.map(({ width }) => width)).to.deep.equal(widths);
    expect(heights[0]!.height).to.be.greaterThan(heights[1]!.height + 100);
    expect(heights[1]!.height).to.be.greaterThan(heights[2]!.height);
    // What was measured before does not hold it open.
    expect((await measured(form(), { heights: '320:5000' })).heights).to.deep.equal(heights);
    // Nor does what stands around it count, or what stands in its place until it is there.
    const dressed = { 'heading': 'Write to us', 'max-width': 300, 'load': 'click', 'space-above': 40 };
    expect((await measured(form(), dressed)).heights).to.deep.equal(heights);
    // That is so at a place as well, whatever its embed asks.
    const { data: embed } = await test.client.call('embeds.create', {
      body: { name: 'Placed form', text: form(), options: dressed },
    });
    const { data: placed } = await test.client.call('placements.create', {
      body: { embed: embed.key, place: 'hollinfell/talks#opening' },
    });
    const there = await test.client.call('measurements.create', { body: { placement: placed.id, widths } });
    expect(there.data.heights).to.deep.equal(heights);
    const film = await measured(talkCode(test.world.port));
    expect(film.heights).to.deep.equal([]);
    expect(film.unknown).to.match(/no height of its own/);
    const page = await measured(
      `<iframe src="http://hollinfell.localhost:${test.world.port}/" height="200" title="Home"></iframe>`,
    );
    expect(page.heights.map(({ width }) => width)).to.deep.equal(widths);
    expect(page.heights[0]!.height).to.be.greaterThan(page.heights[2]!.height).and.greaterThan(300);
  });

  it('measures what a frame says of itself, where its provider has it say so', async () => {
    const text = `<iframe src="http://tonebarn.localhost:${test.world.port}/podcast/under-the-fell/17?keep=no" width="600" height="300" title="Podcast"></iframe>`;
    const { data } = await test.client.call('measurements.create', { body: { text, widths: [640] } });
    expect(data.unknown).to.equal(null);
    const keeps = text.replace('?keep=no', '');
    const more = await test.client.call('measurements.create', { body: { text: keeps, widths: [640] } });
    // The document is as high as its frame, if that is higher; what it says is not.
    expect(data.heights[0]!.height).to.be.lessThan(150);
    expect(more.data.heights[0]!.height).to.be.greaterThan(data.heights[0]!.height);
  });

  it('keeps room for what stands there until a script fills it, where that is higher', async () => {
    const host = `http://fennfeed.localhost:${test.world.port}`;
    const post = (words: string): string =>
      `<blockquote class="fennfeed-post" cite="${host}/p/88213">${words}</blockquote>\n<script async src="${host}/embed.js"></script>`;
    const measured = async (text: string) =>
      (await test.client.call('measurements.create', { body: { text, widths: [640] } })).data.heights[0]!;
    const filled = await measured(post('First light'));
    const before = await measured(post('<p>First light on the new mirror.</p>'.repeat(9)));
    expect(before.height).to.be.greaterThan(filled.height + 100);
    // It is the same when it is there.
    expect(before.height).to.be.lessThan(9 * 60);
  });

  it('measures in a page of the site, with its fonts and styles, as wide as its place is there', async () => {
    const { data } = await test.client.call('measurements.create', {
      body: { text: form(), on: { page: 'hollinfell/talks' }, widths: [400, 1280] },
    });
    const alone = await test.client.call('measurements.create', {
      body: { text: form(), widths: data.heights.map(({ width }) => width) },
    });
    expect(data.heights).to.have.length(2);
    expect(data.heights[0]!.width).to.be.within(300, 400);
    expect(data.heights[1]!.width).to.be.within(500, 1000);
    // The page’s letters are not those of a document without a style.
    expect(data.heights[0]!.height).to.not.equal(alone.data.heights[0]!.height);
  });

  it('weighs a code as it waits and behind a click, beside the code as it was pasted', async () => {
    const { data } = await test.client.call('weighings.create', {
      body: { text: talkCode(test.world.port), options: { load: 'click' } },
    });
    const { embed, bare } = data;
    expect(embed.loaded).to.deep.include({ requests: 0, hosts: [], bytes: 0, cookies: 0 });
    expect(embed.clicked.hosts).to.deep.equal([`play.kinorill.localhost:${test.world.port}`]);
    expect(embed.clicked.requests).to.be.greaterThan(2);
    // The film itself is a part of it; how much of it comes, and in how many pieces, goes by the machine.
    expect(bare.clicked.bytes).to.be.greaterThan(100_000);
    expect(bare.loaded.requests).to.be.greaterThan(2);
  });

  it('keeps what an embed weighs as it is kept, and holds it against what a page may weigh', async () => {
    const { client } = test;
    await client.call('embeds.create', {
      body: { name: 'Heavy film', text: talkCode(test.world.port), options: { start: 5 } },
    });
    await client.call('placements.create', {
      body: { embed: 'heavy-film', place: 'hollinfell/talks#opening' },
    });
    // Beside it stands one that nobody weighs.
    const params = { site: 'hollinfell' };
    await client.call('sites.change', { params, ifMatch: '*', body: { editor: { mostKilobytes: 20 } } });
    const findings = async () =>
      (await client.call('plans.read', { params: { page: 'hollinfell/talks' } })).data.findings
        .filter(({ rule }) => rule === 'too-heavy' || rule === 'not-weighed')
        .map(({ rule, facts }) => [rule, facts['count'] ?? facts['unknown']]);
    expect(await findings()).to.deep.equal([['not-weighed', 2]]);
    const weigh = (options: Record<string, number>) =>
      client.call('weighings.create', { body: { embed: 'heavy-film', options } });
    await weigh({ start: 6 });
    expect(await findings()).to.deep.equal([['not-weighed', 2]]);
    const { data } = await weigh({ start: 5 });
    expect(data.embed.loaded.bytes).to.be.greaterThan(20_000);
    expect(await findings()).to.deep.equal([['too-heavy', 1]]);
    await client.call('revisions.create', {
      params: { embed: 'heavy-film' },
      body: { options: { start: 7 } },
      ifMatch: '*',
    });
    expect(await findings()).to.deep.equal([['not-weighed', 2]]);
  });

  it('refuses options that the code cannot have, and embeds that are not there', async () => {
    const refused = async (body: { text?: string; embed?: string; options?: Record<string, number> }) =>
      (await refusal(test.client.call('pictures.create', { body }))).code;
    expect(await refused({ text: form(), options: { start: 3 } })).to.equal('no-sheet');
    expect(await refused({ embed: 'nobody' })).to.equal('not-found');
  });
});

describe('without a browser', () => {
  let test: TestOrbis;
  before(async () => void (test = await startTestOrbis({ env: { ORBIS_CHROMIUM: 'none' } })));
  after(() => test.stop());

  it('says that it is missing, and all else works', async () => {
    const text = talkCode(test.world.port);
    const { code } = await refusal(test.client.call('pictures.create', { body: { text } }));
    expect(code).to.equal('browser-missing');
    expect((await test.client.call('previews.create', { body: { text } })).status).to.equal(201);
    expect((await refusal(test.client.call('measurements.create', { body: { text } }))).code).to.equal(
      'browser-missing',
    );
  });

  it('guesses a height as its provider’s sheet does, and says so', async () => {
    const text = `<div class="formwold-letter" data-letter="x"></div><script async src="http://formwold.localhost:${test.world.port}/form.js"></script>`;
    const { data } = await test.client.call('measurements.create', { body: { text } });
    expect(data.heights).to.deep.equal([{ width: 640, height: 212 }]);
    expect(data.unknown).to.equal(null);
    expect(data.guess).to.match(
      /Chromium.*This is a guess: what is Formwold’s is usually about 212 px high\.$/,
    );
  });
});
