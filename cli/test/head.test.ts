import { expect } from 'chai';
import type { SiteHead } from '@orbis/contract';
import { startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { typedAt, type Ran } from './support.ts';

describe('the command line, with the head of a whole site', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await orbis(`add site hollinfell http://hollinfell.localhost:${test.world.port}`);
    for (const [name, file] of [
      ['Nights', 'booking.js'],
      ['Groups', 'groups.js'],
    ])
      await test.client.call('embeds.create', {
        body: {
          name: name!,
          text: `<div class="slotsedge-calendar" data-calendar="n"></div><script async src="https://cdn.slotsedge.localhost/${file}"></script>`,
        },
      });
    for (const page of ['talks', 'live']) {
      await orbis(`add page hollinfell/${page}`);
      await orbis(`add spot hollinfell/${page}#main`);
      await orbis(`place nights hollinfell/${page}#main`);
    }
    await orbis('place groups hollinfell/talks#main');
  });
  after(() => test.stop());
  const orbis = (line: string): Promise<Ran> => typedAt(test)(line);

  it('says what the pages need once, and lets what is called by a part of its name stand there', async () => {
    const { out } = await orbis('head hollinfell');
    expect(out).to.include(
      'cdn.slotsedge.localhost/booking.js\n  2 pages need it. It stands on each of them.\n',
    );
    expect(out).to.include('cdn.slotsedge.localhost/groups.js\n  1 page needs it. It stands on that page.\n');
    const kept = await orbis('head hollinfell --keep booking');
    expect(kept.exit).to.equal(0);
    expect(kept.out).to.include('2 pages need it: paste it into the head of the whole site.');
    expect(kept.out).to.include('“orbis head hollinfell --code” hands out what belongs there');
    expect((await orbis('plan hollinfell')).out).to.equal(kept.out);
    const { out: plan } = await orbis('plan hollinfell/live');
    expect(plan).to.include('1. Paste – into the head of every page of the site, for 1 placement');
    expect(plan).to.include('“orbis head hollinfell --code” hands out what belongs into the head');
  });

  it('hands out what belongs there, and nothing else, so that it goes into a file', async () => {
    expect((await orbis('head hollinfell --code')).out).to.equal(
      '<script async src="https://cdn.slotsedge.localhost/booking.js"></script>\n',
    );
    await orbis('head hollinfell --leave booking');
    const nothing = await orbis('head hollinfell --code');
    expect([nothing.exit, nothing.out]).to.deep.equal([0, '']);
    expect(nothing.err).to.include('“orbis head hollinfell --keep NAME” chooses');
  });

  it('refuses a name that may be several, or none', async () => {
    const several = await orbis('head hollinfell --keep slotsedge');
    expect(several.exit).to.equal(2);
    expect(several.err).to.match(/“slotsedge” may be “.*booking\.js”, “.*groups\.js”\./);
    const none = await orbis('head hollinfell --keep map.js');
    expect(none.err).to.match(/is called “map\.js”\. There is “/);
    const { out } = await orbis('head hollinfell --json');
    expect((JSON.parse(out) as SiteHead).things.map(({ kept }) => kept)).to.deep.equal([false, false]);
  });

  it('tells whom browsers contact, and writes that for a privacy statement', async () => {
    const { out } = await orbis('third-parties hollinfell');
    expect(out).to.equal(
      'Slotsedge\n  takes bookings, as soon as the page is opened\n  cdn.slotsedge.localhost\n  in 3 places on hollinfell\n',
    );
    const { out: markdown } = await orbis('third-parties --as markdown');
    expect(markdown).to.include('| Slotsedge | takes bookings | as soon as the page is opened |');
    const { out: html } = await orbis('third-parties --as html');
    expect(html).to.match(/^<table>\n<thead>\n<tr><th>Who<\/th>/);
  });
});
