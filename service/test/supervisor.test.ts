import { expect } from 'chai';
import { rolesIn } from '../src/roles.ts';
import { supervisorIn } from '../src/supervisor.ts';
import { until } from './support/until.ts';

describe('what systemd is told of a process', () => {
  const sent: string[] = [];
  const to =
    (socket: string) =>
    (assignments: readonly string[]): void =>
      void sent.push(`${socket}: ${assignments.join(' ')}`);

  beforeEach(() => sent.splice(0));

  it('says how it goes, that it is ready, and that it stops', () => {
    const supervisor = supervisorIn({ NOTIFY_SOCKET: '/run/n' }, to);
    supervisor.status('Statement 3 of 9.\nSTATUS=no');
    supervisor.ready('Orbis is running.');
    supervisor.stopping();
    expect(sent).to.deep.equal([
      '/run/n: STATUS=Statement 3 of 9. STATUS=no',
      '/run/n: READY=1 STATUS=Orbis is running.',
      '/run/n: STOPPING=1 STATUS=Stopping.',
    ]);
  });

  it('says that it is alive twice in the time that it has, from when it is ready until it stops', async () => {
    const env = { NOTIFY_SOCKET: '/run/n', WATCHDOG_USEC: '20000', WATCHDOG_PID: String(process.pid) };
    const supervisor = supervisorIn(env, to);
    const beats = (): number => sent.filter((each) => each.endsWith('WATCHDOG=1')).length;
    expect(beats()).to.equal(0);
    supervisor.ready('Orbis is running.');
    await until(() => Promise.resolve(beats() >= 3));
    supervisor.stopping();
    const then = beats();
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(beats()).to.equal(then);
  });

  it('is silent where nobody listens, and no pulse where another process is watched', async () => {
    const alone = supervisorIn({}, to);
    alone.ready('Orbis is running.');
    alone.stopping();
    expect(sent).to.deep.equal([]);
    const watched = supervisorIn({ NOTIFY_SOCKET: '/n', WATCHDOG_USEC: '2000', WATCHDOG_PID: '1' }, to);
    watched.ready('Orbis is running.');
    await new Promise((resolve) => setTimeout(resolve, 30));
    watched.stopping();
    expect(sent.filter((each) => each.includes('WATCHDOG'))).to.deep.equal([]);
  });

  it('leaves nothing of it to the database, which would say that it is ready', () => {
    const env = { NOTIFY_SOCKET: '/run/n', WATCHDOG_USEC: '1', WATCHDOG_PID: '1', PATH: '/bin' };
    supervisorIn(env, to);
    expect(env).to.deep.equal({ PATH: '/bin' });
  });

  it('knows the second process of a kind by its number', () => {
    expect(rolesIn(['--only', 'frames-2'])).to.deep.equal(['frames']);
    expect(rolesIn(['--only', 'jobs-12,console'])).to.deep.equal(['console', 'jobs']);
    expect(() => rolesIn(['--only', 'frames-two'])).to.throw('“frames-two” is nothing');
  });
});
