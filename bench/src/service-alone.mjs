// The service in a process of its own, as owners run it, which tells how much memory it took at most.
import { startOrbis, readSettings } from '@orbis/service';
import { pino } from 'pino';

let most = 0;
const watch = setInterval(() => (most = Math.max(most, process.memoryUsage().rss)), 20);
const orbis = await startOrbis(readSettings(process.env, process.env.ORBIS_DATA), {
  log: pino({ level: 'silent' }),
});
process.send({ url: orbis.origins.console, secret: new URL(await orbis.link('password')).hash.slice(1) });
process.on('message', async () => {
  clearInterval(watch);
  await orbis.stop();
  process.send({ most });
  process.disconnect();
});
