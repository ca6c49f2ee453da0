import { request } from 'node:http';
import { expect } from 'chai';
import { eventsIn, type ImportEvent } from '@orbis/contract';
import { createAnswers } from '../src/fetching/answers.ts';
import { progressOf } from '../src/http/progress.ts';
import { originsOf } from '../src/origins.ts';
import { isOneOf } from '../src/store/one-of.ts';
import { embed } from '../src/store/schema.ts';
import { startTestOrbis, type TestOrbis } from './support/orbis.ts';

describe('long answers', function () {
  this.timeout(60_000);
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
  });
  after(() => test.stop());
  const code = (n: number): string =>
    `<iframe src="https://play.kinorill.localhost/film/l${n}" title="Reel “${n}” \u2028 🌌"></iframe>`;
  const items = (many: number) =>
    Array.from({ length: many }, (_, n) => ({ name: `Long ${n}`, text: code(n), tags: ['long'] }));
  const watch = async (body: object): Promise<ImportEvent[]> => {
    const events: ImportEvent[] = [];
    for await (const event of eventsIn<ImportEvent>(
      await test.client.open('imports.watch', { body: body as never }),
    ))
      events.push(event);
    return events;
  };

  it('tell how far an import is, and then what came of it', async () => {
    const events = await watch({ items: items(1300) });
    const read = events.flatMap((event) => ('read' in event ? [event.read] : []));
    expect(read).to.deep.equal([...read].sort((a, b) => a - b));
    expect([read.length, read.at(-1)]).to.deep.equal([7, 1300]);
    const last = events.at(-1)!;
    expect('done' in last && last.done.taken.length).to.equal(1300);
    expect(
      (await test.client.call('embeds.list', { query: { where: 'tag=long', limit: 200 } })).data.items.length,
    ).to.equal(200);
  });

  it('tell a refusal as the interface does everywhere, and nothing is taken in', async () => {
    const [last] = (
      await watch({
        items: [
          { name: 'Good', text: code(9999), tags: ['refused'] },
          { name: 'Bad', text: 'words' },
        ],
      })
    ).slice(-1);
    expect(
      'problem' in last! && [
        last.problem.code,
        last.problem.status,
        last.problem.errors!.map(({ pointer }) => pointer),
      ],
    ).to.deep.equal(['import-refused', 422, ['/items/1']]);
    expect(
      (await test.client.call('embeds.list', { query: { where: 'tag=refused' } })).data.items,
    ).to.deep.equal([]);
  });

  it('are the same in pieces as they would be whole', async () => {
    const body = { where: 'tag=long', options: { start: 7 }, dryRun: true };
    const { data } = await test.client.call('changes.create', { body });
    expect([data.changed.length, data.found, data.change, data.same, data.impossible]).to.deep.equal([
      1300,
      1300,
      null,
      0,
      [],
    ]);
    for (const { embed: key, before, after, edits } of data.changed) {
      const n = Number(key.replace('long-', ''));
      expect([before, after]).to.deep.equal([code(n), code(n).replace(`/l${n}"`, `/l${n}?from=7"`)]);
      expect(edits!.length).to.equal(1);
    }
    // What is refused half-way is taken back whole: the last one cannot have it.
    await test.client.call('embeds.create', {
      body: {
        name: 'A map',
        text: '<iframe src="https://mapmere.localhost/embed/map" title="Map"></iframe>',
        tags: ['long'],
      },
    });
    const refused = await test.client
      .call('changes.create', { body: { ...body, dryRun: false } })
      .catch((error: { code: string }) => error.code);
    expect(refused).to.equal('group-impossible');
    expect((await test.client.call('embeds.read', { params: { embed: 'long-0' } })).data.revision).to.equal(
      1,
    );
    const done = (
      await test.client.call('changes.create', { body: { ...body, dryRun: false, skipImpossible: true } })
    ).data;
    expect([done.changed.length, done.changed[0]!.before, done.impossible.length]).to.deep.equal([
      1300,
      undefined,
      1,
    ]);
    expect(
      (await test.client.call('embeds.read', { params: { embed: 'long-1299' } })).data.current,
    ).to.deep.include({ number: 2, options: { start: 7 } });
  });

  it('do no harm where nobody waits for them to the end', async () => {
    const { port } = new URL(test.url);
    const body = JSON.stringify({ where: 'tag=long', options: { start: 8 }, dryRun: true });
    for (let n = 0; n < 3; n++) {
      await new Promise<void>((resolve) => {
        const headers = { 'authorization': `Bearer ${test.token}`, 'content-type': 'application/json' };
        const sent = request(
          { host: '127.0.0.1', port, path: '/api/v1/changes', method: 'POST', headers },
          (response) => {
            response.on('error', () => undefined);
            response.once('data', () => sent.destroy());
          },
        );
        sent.on('error', () => undefined).on('close', resolve);
        sent.end(body);
      });
    }
    expect((await test.client.call('embeds.list', { query: { limit: 1 } })).data.items).to.have.length(1);
  });
});

describe('what the service keeps and tells by itself', () => {
  it('progress: everything that is told, in order, and the end last', async () => {
    const told: number[] = [];
    const work = async (tell: (n: number) => void): Promise<number> => {
      tell(1);
      tell(2);
      await new Promise((resolve) => setTimeout(resolve, 5));
      tell(3);
      return 4;
    };
    for await (const event of progressOf(work)) told.push(event);
    expect(told).to.deep.equal([1, 2, 3, 4]);
    const broken = (async () => {
      for await (const _ of progressOf<number>(() => Promise.reject(new Error('broken')))) told.push(0);
    })();
    expect(await broken.catch((error: Error) => error.message)).to.equal('broken');
  });

  it('answers: for as long as they hold, and those that say nothing not at all', () => {
    const answers = createAnswers();
    const answer = {
      type: 'link' as const,
      title: 'T',
      author: null,
      provider: null,
      thumbnail: null,
      width: null,
      height: null,
      html: null,
      url: null,
      cacheAge: 60,
    };
    answers.keep('a', answer);
    answers.keep('b', { ...answer, cacheAge: null });
    answers.keep('c', { ...answer, cacheAge: 0 });
    expect([answers.get('a')?.title, answers.get('b'), answers.get('c')]).to.deep.equal([
      'T',
      undefined,
      undefined,
    ]);
  });

  it('names of placements and previews, never one for the other', () => {
    const own = originsOf({ publicUrl: undefined, framesUrl: undefined, port: 1, framesPort: 2 });
    const one = originsOf({
      publicUrl: 'https://a.example',
      framesUrl: 'https://f.example',
      port: 1,
      framesPort: 2,
    });
    const [short, long] = ['0123456789', '01234567890123456789'];
    expect([own.placementUrl(short), one.placementUrl(short)]).to.deep.equal([
      `http://${short}.frames.localhost:2/`,
      `https://f.example/${short}`,
    ]);
    for (const [origins, hostOf, pathOf] of [
      [own, (name: string) => `${name}.frames.localhost`, () => '/'],
      [one, () => 'f.example', (name: string) => `/${name}`],
    ] as const) {
      expect([
        origins.placementName(hostOf(short), pathOf(short)),
        origins.previewName(hostOf(short), pathOf(short)),
      ]).to.deep.equal([short, null]);
      expect([
        origins.placementName(hostOf(long), pathOf(long)),
        origins.previewName(hostOf(long), pathOf(long)),
      ]).to.deep.equal([null, long]);
      expect(origins.placementName(hostOf('oembed'), pathOf('oembed'))).to.equal(null);
    }
  });

  it('ids in a statement: whole numbers and nothing else', () => {
    for (const wrong of [[1.5], [-1], [Number.NaN], ['1) or (1=1' as unknown as number]])
      expect(() => isOneOf(embed.id, wrong)).to.throw();
    expect(() => isOneOf(embed.id, [1, 2, Number.MAX_SAFE_INTEGER])).not.to.throw();
  });
});
