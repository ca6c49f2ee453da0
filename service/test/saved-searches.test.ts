import { expect } from 'chai';
import type { Client } from '@orbis/contract';
import { refusal, startTestOrbis, type TestOrbis } from './support/orbis.ts';

describe('searches of the register that are kept', () => {
  let test: TestOrbis;
  const call: Client['call'] = (name, options) => test.client.call(name, options);
  before(async () => void (test = await startTestOrbis()));
  after(() => test.stop());

  const save = (search: string, where: string, state: { ifMatch?: string; ifNoneMatch?: '*' }) =>
    call('savedSearches.save', { params: { search }, body: { where }, ...state } as never);
  const kept = async () =>
    (await call('savedSearches.list', {})).data.items.map(({ name, where }) => [name, where]);
  const undoLast = async () => {
    const { data } = await call('changes.list', { query: { limit: 1, standing: 'true' } });
    await call('changes.undo', { params: { change: data.items[0]!.id }, body: {} });
  };

  it('have any name, are changed and taken away, and each of that is taken back', async () => {
    await save('To renew / fell', 'state=out-of-date site=hollinfell', { ifNoneMatch: '*' });
    const { etag } = await call('savedSearches.read', { params: { search: 'To renew / fell' } });
    await save('To renew / fell', 'state=missing', { ifMatch: etag! });
    expect(await kept()).to.deep.equal([['To renew / fell', 'state=missing']]);
    const stale = await refusal(save('To renew / fell', 'state=live', { ifMatch: etag! }));
    expect(stale.code).to.equal('if-match-stale');
    await undoLast();
    expect(await kept()).to.deep.equal([['To renew / fell', 'state=out-of-date site=hollinfell']]);
    await call('savedSearches.remove', { params: { search: 'To renew / fell' }, ifMatch: '*' });
    expect(await kept()).to.deep.equal([]);
    await undoLast();
    expect(await kept()).to.deep.equal([['To renew / fell', 'state=out-of-date site=hollinfell']]);
  });

  it('are such as can be searched', async () => {
    const refused = await refusal(save('Odd', 'colour=green', { ifNoneMatch: '*' }));
    expect(refused.code).to.equal('search-invalid');
    const gone = await refusal(call('savedSearches.read', { params: { search: 'Odd' } }));
    expect(gone.code).to.equal('not-found');
  });

  it('have a name once, also where two processes keep it at once, and in whatever case', async () => {
    const other = await test.another();
    try {
      const both = await Promise.allSettled(
        [test.client, other.client].map((client) =>
          client.call('savedSearches.save', {
            params: { search: 'Twice' },
            body: { where: 'state=live' },
            ifNoneMatch: '*',
          }),
        ),
      );
      expect(both.map(({ status }) => status).sort()).to.deep.equal(['fulfilled', 'rejected']);
      expect((await kept()).filter(([name]) => name === 'Twice')).to.have.length(1);
      const same = await refusal(save('twice', 'state=missing', { ifNoneMatch: '*' }));
      expect(same.problem.status).to.equal(412);
    } finally {
      await other.stop();
    }
  });
});
