import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import { pino } from 'pino';
import type { ApiError } from '@orbis/contract';
import { createFramesApp } from '../src/frames/app.ts';
import { originsOf } from '../src/origins.ts';
import { findPreview } from '../src/store/previews.ts';
import { get } from './support/get.ts';
import { startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

describe('previews', () => {
  let test: TestOrbis;
  before(async () => void (test = await startTestOrbis()));
  after(() => test.stop());

  it('are served on a random host of their own, with a policy made from the reading', async () => {
    const text = talkCode(test.world.port);
    const { data } = await test.client.call('previews.create', { body: { text, options: { start: 112 } } });
    expect(data.url).to.match(/^http:\/\/[0-9a-z]{20}\.frames\.localhost:\d+\/$/);
    expect(data.sandboxTokens.map((power) => power.token)).to.deep.equal([
      'allow-scripts',
      'allow-same-origin',
    ]);
    const { status, headers, body } = await get(data.url);
    expect(status).to.equal(200);
    expect(body).to.include('from=112');
    const policy = String(headers['content-security-policy']);
    expect(policy)
      .to.include(`frame-src http://play.kinorill.localhost:${test.world.port}`)
      .and.include(`frame-ancestors ${test.url}`)
      .and.match(/^sandbox allow-scripts allow-same-origin; frame-ancestors/)
      .and.include("default-src 'none'");
    expect(headers).to.not.have.property('set-cookie');
    expect(headers['cache-control']).to.equal('no-store');
    expect(new Date(data.expiresAt).getTime()).to.be.greaterThan(Date.now());
  });

  it('are nothing to whoever does not know their host', async () => {
    const { data } = await test.client.call('previews.create', { body: { text: talkCode(1) } });
    const { port } = new URL(data.url);
    for (const host of [
      'frames.localhost',
      'localhost',
      'evil.example',
      "x'.frames.localhost",
      'orbis.localhost',
    ])
      expect((await get(data.url, { headers: { host: `${host}:${port}` } })).status, host).to.equal(421);
    const { status, body } = await get(data.url, {
      headers: { host: `00000000000000000000.frames.localhost:${port}` },
    });
    expect([status, body]).to.deep.equal([404, 'There is nothing here, or its time is over.\n']);
  });

  it('cannot be had from the console’s own origin, and the interface not from theirs', async () => {
    const { data } = await test.client.call('previews.create', { body: { text: talkCode(1) } });
    const frames = new URL(data.url).port;
    const answer = await get(`http://localhost:${frames}/api/v1/health/live`);
    expect(answer.status).to.equal(421);
  });

  it('are refused where an option cannot be fulfilled, or the code is none', async () => {
    const refused = async (body: object): Promise<string> =>
      (
        await test.client.call('previews.create', { body }).then(
          () => ({ code: '' }),
          (error: ApiError) => error,
        )
      ).code;
    expect(await refused({ text: talkCode(1), options: { start: 9, end: 3 } })).to.equal('clip-order');
    expect(await refused({ text: 'words' })).to.equal('no-code');
    expect(await refused({ embed: 'nobody' })).to.equal('not-found');
    expect(await refused({})).to.equal('bad-request');
  });

  it('lose their origin where all of them share one host', async () => {
    const { data } = await test.client.call('previews.create', { body: { text: talkCode(1) } });
    const origins = originsOf({
      publicUrl: 'https://a.example',
      framesUrl: 'https://f.example',
      port: 1,
      framesPort: 2,
    });
    const app = createFramesApp({
      log: pino({ level: 'silent' }),
      trustProxy: 0,
      connection: test.orbis.connection,
      origins: () => origins,
      now: () => new Date(),
      isCounted: false,
    });
    const server = createServer(app.answer);
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const name = new URL(data.url).hostname.split('.')[0]!;
    const { status, headers } = await get(
      `http://127.0.0.1:${(server.address() as AddressInfo).port}/${name}`,
      { headers: { host: 'f.example' } },
    );
    server.closeAllConnections();
    server.close();
    expect(status).to.equal(200);
    expect(headers['content-security-policy']).to.match(/, sandbox allow-scripts allow-forms allow-popups$/);
  });

  it('are over when their time is', async () => {
    const { data } = await test.client.call('previews.create', { body: { text: talkCode(1) } });
    const later = new Date(new Date(data.expiresAt).getTime() + 1);
    expect(
      await findPreview(test.orbis.connection.db, new URL(data.url).hostname.split('.')[0]!, later),
    ).to.equal(null);
  });
});

describe('trying options out', () => {
  let test: TestOrbis;
  before(async () => void (test = await startTestOrbis()));
  after(() => test.stop());

  it('says what they come to without saving anything', async () => {
    await test.client.call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
    const { data } = await test.client.call('compositions.create', {
      body: { embed: 'talk', options: { autoplay: true, fit: 'shape' } },
    });
    expect(data.edits.map((edit) => [edit.stage, edit.text.trim()])).to.deep.equal([
      [
        'presentation',
        'style="display:block;width:100%;height:auto;aspect-ratio:16/9;border:0;align-self:flex-start"',
      ],
      ['settings', '&amp;roll=1&amp;hush=1'],
      ['settings', '; autoplay'],
    ]);
    expect(data.implied).to.deep.equal([
      {
        option: 'muted',
        by: 'autoplay',
        value: 'on',
        reason: 'browsers let a video play by itself only without sound',
      },
    ]);
    expect(data.snippets[0]!.runs.map((run) => run.text).join('')).to.equal(data.text);
    expect((await test.client.call('embeds.read', { params: { embed: 'talk' } })).data.revision).to.equal(1);
  });

  it('says what stands against them in sentences', async () => {
    const { data } = await test.client.call('compositions.create', {
      body: { embed: 'talk', options: { start: 9, end: 3 } },
    });
    expect(data.problems).to.deep.equal([
      {
        option: 'end',
        code: 'clip-order',
        detail: 'The end (0:03) is not after the start (0:09). Set an end later than 0:09.',
      },
    ]);
    expect(data.edits).to.deep.equal([]);
  });

  it('reads one text or many, and keeps none', async () => {
    const one = await test.client.call('readings.create', { body: { text: talkCode(1) } });
    expect(one.data.items[0]).to.deep.include({ kind: 'video', input: 'code' });
    const many = await test.client.call('readings.create', {
      body: { texts: ['', 'words', talkCode(1), 'https://kinorill.localhost/films/a'] },
    });
    expect(many.data.items.map((reading) => reading.input)).to.deep.equal(['empty', 'text', 'code', 'link']);
    const long = await test.client.call('readings.create', { body: { text: 'x'.repeat(1_048_577) } });
    expect(long.data.items[0]!.findings.map((f) => f.message)).to.deep.equal([
      'This has 1048577 characters; Orbis reads at most 1048576.',
    ]);
    const batch = await test.client
      .call('readings.create', { body: { texts: Array.from({ length: 9 }, () => 'x'.repeat(1_000_000)) } })
      .catch((error: ApiError) => error);
    expect(batch).to.include({ code: 'too-large' });
  });
});
