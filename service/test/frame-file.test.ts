import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import type { Placement } from '@orbis/contract';
import { loopbackFetch, sweepAll } from '@orbis/demo';
import { declareSite, startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { publishedWith, type Published } from './support/published.ts';
import { until } from './support/until.ts';

describe('an embed in a file on the owner’s server', () => {
  let test: TestOrbis;
  let work: Published;
  let server: Server;
  let file: { status: number; text: string };
  let address: string;
  let id: string;
  const asked: string[] = [];
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    await declareSite(test);
    work = publishedWith(test);
    file = { status: 404, text: '' };
    server = createServer((request, response) => {
      const isIt = /^\/embeds\/(?:quote|motto)\.html$/.test(request.url ?? '');
      asked.push(request.url ?? '');
      response.writeHead(isIt ? file.status : 404, { 'content-type': 'text/html; charset=utf-8' });
      response.end(isIt ? file.text : '');
    }).listen(0, '127.0.0.1');
    await once(server, 'listening');
    address = `http://files.localhost:${(server.address() as AddressInfo).port}/embeds/quote.html`;
    await work.collect('Quote', '<blockquote>The fell is quiet.</blockquote>', {
      'frame': 'file',
      'frame-file': address,
    });
    id = await work.place('quote', 'opening');
  });
  after(async () => {
    server.close();
    await test.stop();
  });

  async function swept(): Promise<Placement> {
    const { data } = await test.client.call('sweeps.create', { body: { page: 'hollinfell/talks' } });
    await until(async () => {
      const sweep = await test.client.call('sweeps.read', { params: { sweep: data.id } });
      return sweep.data.endedAt !== null;
    });
    return (await test.client.call('placements.read', { params: { placement: id } })).data;
  }
  const inShort = ({ state, carries, findings }: Placement) => [
    state,
    carries?.delivery ?? null,
    ...findings.map(({ rule }) => rule),
  ];
  /* The frame, and the document that is to be put into the file. */
  async function delivered(): Promise<{ text: string; document: string; number: number }> {
    const { text, snippets, number } = await work.delivered(id);
    const document = snippets.find(({ position }) => position === 'file')!;
    return { text, document: document.runs.map((run) => run.text).join(''), number };
  }
  const planned = async (): Promise<string[]> =>
    (await test.client.call('plans.read', { params: { page: 'hollinfell/talks' } })).data.steps.map(
      ({ action, position, place }) => `${action} ${position} ${place}`,
    );

  it('is planned with its file first, and handed out with what stands in it', async () => {
    expect(await planned()).to.deep.equal([`paste file ${address}`, 'paste spot hollinfell/talks#opening']);
    const { text, document } = await delivered();
    expect(text).to.include(`src="${address}"`).and.not.include('The fell is quiet');
    expect(document)
      .to.match(/^<!doctype html>/)
      .and.include('<blockquote>The fell is quiet.</blockquote>');
  });

  it('is live only where its file is there as well', async () => {
    const { text, document } = await delivered();
    await work.publish(text);
    expect(inShort(await swept())).to.deep.equal(['missing', 1, 'file-unreachable']);
    file = { status: 200, text: document };
    expect(inShort(await swept())).to.deep.equal(['live', 1]);
    expect(await planned()).to.deep.equal([
      `already-there file ${address}`,
      'already-there spot hollinfell/talks#opening',
    ]);
    file = { status: 500, text: '' };
    expect(inShort(await swept())).to.deep.equal(['live', 1, 'file-unreachable']);
    file = { status: 200, text: document.replace('quiet', 'loud') };
    const altered = await swept();
    expect(inShort(altered)).to.deep.equal(['altered', 1, 'file-altered']);
    expect(altered.findings[0]!.message).to.include(address);
  });

  it('is out of date where its file is, though the frame on the page is the same', async () => {
    const first = await delivered();
    file = { status: 200, text: first.document.replaceAll('\n', '\r\n') };
    expect(inShort(await swept())).to.deep.equal(['live', 1]);
    const { etag } = await test.client.call('placements.read', { params: { placement: id } });
    await test.client.call('placements.change', {
      params: { placement: id },
      ifMatch: etag!,
      body: { options: { 'may-download': true } },
    });
    const { etag: siteTag } = await test.client.call('sites.read', { params: { site: 'hollinfell' } });
    await test.client.call('sites.change', {
      params: { site: 'hollinfell' },
      ifMatch: siteTag!,
      body: { frameStyle: 'blockquote { font-style: italic }' },
    });
    const second = await delivered();
    expect(second.document).to.include('font-style: italic');
    await work.publish(second.text);
    expect(inShort(await swept())).to.deep.equal(['out-of-date', 1, 'out-of-date']);
    expect(await planned()).to.deep.equal([
      `replace file ${address}`,
      'replace spot hollinfell/talks#opening',
    ]);
    file = { status: 200, text: second.document };
    await work.publish(first.text);
    expect(inShort(await swept()), 'the frame is the old one').to.deep.equal([
      'out-of-date',
      1,
      'out-of-date',
    ]);
    await work.publish(second.text);
    expect(inShort(await swept())).to.deep.equal(['live', second.number]);
  });

  it('is in a block on many pages, and its file is read once for all of them, each time anew', async () => {
    const { client, world } = test;
    await client.call('pages.create', { body: { key: 'hollinfell/live', title: 'Live' } });
    await client.call('pages.create', { body: { key: 'hollinfell/{foot}', title: 'Foot' } });
    await client.call('spots.create', { body: { key: 'hollinfell/{foot}#main' } });
    await work.collect('Motto', '<blockquote>Look up.</blockquote>', {
      'frame': 'file',
      'frame-file': address.replace('quote', 'motto'),
    });
    const { data: made } = await client.call('placements.create', {
      body: { embed: 'motto', place: 'hollinfell/{foot}#main' },
    });
    id = made.id;
    const { text, document } = await delivered();
    await loopbackFetch()(`http://hollinfell.localhost:${world.port}/edit/api/footer`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ code: text }),
    });
    for (const [shown, state] of [
      [document.replace('up', 'down'), 'altered'],
      [document, 'live'],
    ] as const) {
      file = { status: 200, text: shown };
      asked.length = 0;
      const { counts } = await sweepAll(client);
      expect(counts[state]).to.be.at.least(2);
      expect(asked.filter((each) => each.includes('motto'))).to.have.length(1);
      const { data } = await client.call('placements.read', { params: { placement: id } });
      expect(data.state).to.equal(state);
    }
  });
});
