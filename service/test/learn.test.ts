import { expect } from 'chai';
import { parseSheet } from '@orbis/contract';
import { renderTemplate } from '@orbis/core';
import { loopbackFetch } from '@orbis/demo';
import { refusal, startTestOrbis, type TestOrbis } from './support/orbis.ts';

describe('learning a sheet through the service', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
  });
  after(() => test.stop());
  const gladewick = (path: string): string => `http://gladewick.localhost:${test.world.port}${path}`;
  const code = (id: string, query: string): string =>
    `<iframe src="${gladewick(`/show/${id}`)}${query}" width="720" height="405" title="${id}"></iframe>`;
  const samples = (): string[] => [
    code('red-torches', '?from=1&amp;hue=aa3355'),
    code('comet-sketches', '?from=2&amp;hue=2f6145'),
  ];
  const learn = async (body: { samples: string[]; answers?: Record<string, string>; ask?: boolean }) =>
    (await test.client.call('providers.learn', { body })).data;
  const fault = (value: string | null) =>
    loopbackFetch()(`http://demo.localhost:${test.world.port}/faults/gladewick`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ fault: value }),
    });

  it('proposes, and keeps nothing; what it says puts every sample together again', async () => {
    const { text, sheet, lines, open, codes, samples: told } = await learn({ samples: samples() });
    expect([sheet.id, open]).to.deep.equal(['gladewick', 2]);
    expect(lines.filter(({ sure }) => !sure).map(({ about }) => about)).to.deep.equal(['kind', 'from']);
    expect(told.map(({ item, from }) => [item, from])).to.deep.equal([
      ['red-torches', null],
      ['comet-sketches', null],
    ]);
    expect(codes.samples.map((values) => renderTemplate(codes, values))).to.deep.equal(samples());
    expect(parseSheet(text, 'x')).to.deep.equal(sheet);
    expect(text).to.include('# Learned from 2 samples. Not yet answered: kind, from.');
    expect(
      (await refusal(test.client.call('providers.read', { params: { provider: 'gladewick' } }))).code,
    ).to.equal('not-found');
  });

  it('follows links for the codes that their provider tells, only where that is said', async () => {
    const link = gladewick('/decks/how-dark-is-dark');
    const alone = await learn({ samples: [...samples(), link] });
    expect([alone.samples.length, alone.sheet.oembed]).to.deep.equal([3, undefined]);
    const asked = await learn({ samples: [link, gladewick('/decks/first-light')], ask: true });
    expect(asked.samples.map(({ is, item, from }) => [is, item, from])).to.deep.equal([
      ['link', 'how-dark-is-dark', null],
      ['link', 'first-light', null],
      ['code', 'how-dark-is-dark', link],
      ['code', 'first-light', gladewick('/decks/first-light')],
    ]);
    expect(asked.sheet.oembed).to.deep.equal({
      endpoint: '{scheme}://gladewick.localhost{+port}/oembed',
      formats: ['json'],
    });
    const refused = await refusal(test.client.call('providers.learn', { body: { samples: [link, link] } }));
    expect([refused.code, refused.message]).to.satisfy(
      ([found, message]: string[]) => found === 'cannot-learn' && message!.includes('links only'),
    );
  });

  it('asks whoever an imported list says answers, rather than the page', async () => {
    const list = [
      {
        provider_name: 'Gladewick',
        provider_url: gladewick('/'),
        endpoints: [{ url: gladewick('/oembed'), schemes: ['http://gladewick.localhost:1/decks/*'] }],
      },
    ];
    await test.client.call('endpoints.import', { body: { text: JSON.stringify(list) } });
    const [known] = (await test.client.call('endpoints.list', { query: {} })).data.items;
    // Nothing answers at the link itself.
    const asked = await learn({
      samples: ['http://gladewick.localhost:1/decks/red-torches', ...samples()],
      ask: true,
    });
    expect(asked.samples.map(({ item, from }) => [item, from !== null]).at(-1)).to.deep.equal([
      'red-torches',
      true,
    ]);
    await test.client.call('endpoints.remove', { params: { endpoint: known!.id } });
  });

  it('says what is wrong of which sample or answer', async () => {
    const pointer = async (body: { samples: string[]; answers?: Record<string, string> }) => {
      const error = await refusal(test.client.call('providers.learn', { body }));
      return [error.problem.status, error.problem.errors![0]!.pointer];
    };
    expect(await pointer({ samples: [...samples(), 'words'] })).to.deep.equal([422, '/samples/2']);
    expect(await pointer({ samples: samples(), answers: { hue: 'muted' } })).to.deep.equal([
      422,
      '/answers/hue',
    ]);
    expect(await pointer({ samples: samples().slice(0, 1) })).to.deep.equal([422, '/samples']);
    expect(
      (await refusal(test.client.call('providers.learn', { body: { samples: [] } }))).problem.status,
    ).to.equal(400);
  });

  it('is refused as what it is where the provider does not answer, and changes nothing', async () => {
    await fault('gone');
    try {
      const error = await refusal(
        test.client.call('providers.learn', {
          body: { samples: [gladewick('/decks/first-light'), ...samples()], ask: true },
        }),
      );
      expect(error.code).to.equal('link-unreachable');
    } finally {
      await fault(null);
    }
  });

  it('is a sheet like any other once it is kept: links, codes and options are understood', async () => {
    const { text } = await learn({
      samples: [...samples(), gladewick('/decks/first-light')],
      answers: { kind: 'document', from: 'page' },
      ask: true,
    });
    await test.client.call('providers.save', {
      params: { provider: 'gladewick' },
      body: { text, accept: false },
      ifNoneMatch: '*',
    });
    const { data } = await test.client.call('embeds.create', {
      body: {
        name: 'Dark',
        text: gladewick('/decks/how-dark-is-dark'),
        options: { page: 2, accent: '#123456' },
        ask: true,
      },
    });
    expect([data.reading.provider?.id, data.kind, data.found!.how, data.found!.title]).to.deep.equal([
      'gladewick',
      'document',
      'sheet',
      'How dark is dark?',
    ]);
    const outcome = await test.client.call('compositions.create', {
      body: { embed: data.key, options: data.current.options },
    });
    expect(outcome.data.text).to.include('/show/how-dark-is-dark?from=2&amp;hue=123456"');
    const known = await refusal(test.client.call('providers.learn', { body: { samples: samples() } }));
    expect(known.message).to.include('Gladewick, which a sheet knows already');
  });
});
