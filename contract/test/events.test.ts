import { expect } from 'chai';
import { ApiError, follow, outcomeOf, type Client, type Sweep } from '@orbis/contract';

/* A service whose streams are these, one after the other: text, or an error with this status. */
const serving = (...streams: (string | number)[]) => {
  const asked: (string | undefined)[] = [];
  const open = (_name: string, call: { lastEventId?: string }): Promise<Response> => {
    asked.push(call.lastEventId);
    const next = streams.shift() ?? '';
    if (typeof next === 'string')
      return Promise.resolve(new Response(next, { headers: { 'content-type': 'text/event-stream' } }));
    return Promise.reject(
      new ApiError({ type: 'about:blank', title: 'x', status: next, code: 'x', detail: `status ${next}` }),
    );
  };
  return { asked, client: { open } as unknown as Pick<Client, 'open'> };
};
const event = (id: string, read: number, ended = false): string =>
  `id: ${id}\ndata: ${JSON.stringify({ read, endedAt: ended ? 'now' : null })}\n\n`;
const followed = async (client: Pick<Client, 'open'>): Promise<number[]> => {
  const seen: number[] = [];
  for await (const { read } of follow(
    client,
    'sweeps.events',
    { params: { sweep: 'x' } },
    ({ endedAt }: Sweep) => endedAt !== null,
  ))
    seen.push(read);
  return seen;
};

describe('a stream that is followed', () => {
  it('ends with its last event, whatever would come behind', async () => {
    const { client, asked } = serving(event('a', 1) + event('b', 2, true) + event('c', 3));
    expect(await followed(client)).to.deep.equal([1, 2]);
    expect(asked).to.deep.equal([undefined]);
  });
  it('is taken up again behind what was seen, where it breaks off or nobody answers for a while', async () => {
    const { client, asked } = serving(
      event('a', 1),
      0,
      503,
      `retry: 1000\n\n:\n\n${event('b', 2)}`,
      event('c', 3, true),
    );
    expect(await followed(client)).to.deep.equal([1, 2, 3]);
    expect(asked).to.deep.equal([undefined, 'a', 'a', 'a', 'b']);
  });
  for (const status of [401, 404]) {
    it(`is given up where the service refuses (${status})`, async () => {
      const { client } = serving(event('a', 1), status);
      const error = await followed(client).catch((reason: unknown) => reason);
      expect(error).to.be.instanceOf(ApiError).with.nested.property('problem.status', status);
    });
  }

  it('come to an outcome, to the problem that ended the work, or to nothing', async () => {
    const answer = (...events: object[]): Response =>
      new Response(events.map((event) => `data: ${JSON.stringify(event)}\n\n`).join(''));
    const told: object[] = [];
    const outcome = (...events: object[]): Promise<unknown> =>
      outcomeOf(answer(...events), (progress) => told.push(progress), 'It broke off.');
    expect(await outcome({ read: 1 }, { read: 2 }, { done: 7 })).to.equal(7);
    expect(told).to.deep.equal([{ read: 1 }, { read: 2 }]);
    const said = (...events: object[]): Promise<string> =>
      outcome(...events).then(String, (error: Error) => error.message);
    const problem = {
      type: 'about:blank',
      title: 'No',
      status: 422,
      code: 'no-code',
      detail: 'There is none.',
    };
    expect(await said({ read: 1 }, { problem })).to.equal('There is none.');
    expect(await said({ read: 1 })).to.equal('It broke off.');
  });
});
