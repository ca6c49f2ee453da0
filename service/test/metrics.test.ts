import { expect } from 'chai';
import { sweepAll } from '@orbis/demo';
import { nodesOf } from '../src/database/nodes.ts';
import { createMetrics } from '../src/metrics/metrics.ts';
import { metricsReader } from '../src/metrics/answer.ts';
import { freePort } from './support/free-port.ts';
import { startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { pageOf, startSiteOfPages, type SiteOfPages } from './support/site-of-pages.ts';

/* A line of the text format, as its documentation has it: name, labels, value. */
const line =
  /^[a-z_:][\w:]*(?:\{[a-z_]\w*="(?:[^"\\\n]|\\["\\n])*"(?:,[a-z_]\w*="(?:[^"\\\n]|\\["\\n])*")*\})? (?:-?[\d.]+(?:e[+-]?\d+)?|\+Inf|NaN)$/i;

describe('metrics', () => {
  let test: TestOrbis;
  let site: SiteOfPages;
  let port: number;
  before(async () => {
    port = await freePort();
    test = await startTestOrbis({ env: { ORBIS_METRICS_PORT: String(port) } });
    site = await startSiteOfPages();
    site.pages.set(
      'night',
      pageOf('<iframe src="https://play.kinorill.localhost/film/1" title="Film"></iframe>'),
    );
    const { client } = test;
    await client.call('sites.create', { body: { key: 'fell', name: 'Fell', address: site.address } });
    await client.call('pages.create', { body: { key: 'fell/night', title: 'Night' } });
    await client.call('pages.create', { body: { key: 'fell/gone', title: 'Gone' } });
    await sweepAll(client, { site: 'fell' });
  });
  after(async () => {
    await site.stop();
    await test.stop();
  });

  it('are read with a token at the console’s port, as a bearer or a password, and by nobody else', async () => {
    const ask = (headers: Record<string, string>) => fetch(`${test.url}/metrics`, { headers });
    const basic = Buffer.from(`orbis:${test.token}`).toString('base64');
    for (const authorization of [`Bearer ${test.token}`, `Basic ${basic}`])
      expect((await ask({ authorization })).status).to.equal(200);
    const refused = await ask({});
    expect(refused.status).to.equal(401);
    expect(refused.headers.get('www-authenticate')).to.include('Basic');
  });

  it('say what is so, in the format that they should have, at a port of their own', async () => {
    const answer = await fetch(`http://127.0.0.1:${port}/metrics`);
    expect(answer.headers.get('content-type')).to.match(/^text\/plain; version=0\.0\.4/);
    const text = await answer.text();
    for (const each of text.split('\n').filter((row) => row !== '' && !row.startsWith('#')))
      expect(each).to.match(line);
    for (const expected of [
      'orbis_database_up 1',
      'orbis_findings_open{rule="unregistered"} 1',
      'orbis_findings_open{rule="page-unreachable"} 1',
      'orbis_pages_read_total{outcome="read"} 1',
      'orbis_pages_read_total{outcome="unreachable"} 1',
      'orbis_messages{state="dead"} 0',
    ])
      expect(text.split('\n')).to.include(expected);
    expect(text).to.match(
      /orbis_http_request_duration_seconds_count\{operation="pages\.create",status="201"\} 2\n/,
    );
    expect(Number(/^orbis_last_sweep_timestamp_seconds (\S+)$/m.exec(text)![1]) * 1000).to.be.closeTo(
      Date.now(),
      120_000,
    );
    expect((await fetch(`http://127.0.0.1:${port}/`)).status).to.equal(404);
  });

  it('say that the database does not answer, and nothing else of it', async () => {
    const db = new Proxy({}, { get: () => () => Promise.reject(new Error('away')) });
    const nodes = nodesOf('mysql://a,b/orbis');
    nodes.leave(0);
    const { text } = await metricsReader(createMetrics(), { db: db as never, nodes })();
    expect(text).to.include('\norbis_database_up 0\n').and.not.include('\norbis_findings_open{');
    expect(text).to.include('\norbis_database_host 2\n').and.include('\norbis_database_hosts_left 1\n');
  });
});
