import { expect } from 'chai';
import { sweepAll } from '@orbis/demo';
import { startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { pageOf, startSiteOfPages, type SiteOfPages } from '../../service/test/support/site-of-pages.ts';
import { typedAt, type Ran } from './support.ts';

const film = '<iframe src="https://otherside.localhost/v/1" title="Aurora"></iframe>';

describe('the command line, with what wants attention', () => {
  let test: TestOrbis;
  let site: SiteOfPages;
  const orbis = (line: string): Promise<Ran> => typedAt(test)(line);
  const idOf = ({ out }: Ran): string => /\b[0-9a-hjkmnp-tv-z]{10}\b/.exec(out)![0];
  before(async () => {
    test = await startTestOrbis();
    site = await startSiteOfPages();
    await test.client.call('sites.create', { body: { key: 'fell', name: 'Fell', address: site.address } });
    await test.client.call('pages.create', { body: { key: 'fell/talks', title: 'Talks' } });
  });
  after(async () => {
    await site.stop();
    await test.stop();
  });

  it('says that there is nothing, with the way to know', async () => {
    const ran = await orbis('attention');
    expect([ran.exit, ran.out]).to.deep.equal([
      0,
      'Nothing wants attention. “orbis sweep” reads the published pages.\n',
    ]);
    expect((await orbis('attention --list muted')).out).to.equal(
      'There is nothing that is not to be told again.\n',
    );
  });

  it('tells what is bad with an exit status, and the way to mend it', async () => {
    await sweepAll(test.client);
    const ran = await orbis('attention fell');
    expect(ran.exit).to.equal(1);
    expect(ran.out)
      .to.match(/^error Cannot be read in fell\/talks [0-9a-z]{10} new$/m)
      .and.match(/^ {2}orbis sweep fell\/talks$/m);
    expect((await orbis('attention --counts')).out)
      .to.match(/^1 error, 0 warnings, 0 notes\.$/m)
      .and.match(/^page-unreachable +Cannot be read +1$/m)
      .and.match(/^fell +Fell +1$/m);
    const json = JSON.parse((await orbis('attention --json')).out) as { rule: string }[];
    expect(json.map(({ rule }) => rule)).to.deep.equal(['page-unreachable']);
  });

  it('lets a finding wait, has it not told again, and tells it again', async () => {
    const id = idOf(await orbis('attention'));
    expect((await orbis(`change finding ${id} --later 7d --because festival`)).out).to.match(
      /^ {2}It waits until .*: festival\.$/m,
    );
    expect((await orbis('attention')).exit).to.equal(0);
    expect((await orbis(`change finding ${id} --mute`)).err).to.include('--because');
    expect((await orbis(`change finding ${id} --mute --because planned`)).out).to.match(
      /^ {2}It is not told again: planned\.$/m,
    );
    expect((await orbis(`change finding ${id} --open --seen`)).exit).to.equal(2);
    expect((await orbis(`change finding ${id} --later soon`)).err).to.include('neither a time such as 12h');
    expect((await orbis(`change finding ${id} --open`)).out).to.match(/ new$/m);
  });

  it('says of a site that its pages are looked at with a browser', async () => {
    const { out } = await orbis('change site fell --rendered yes');
    expect(out).to.match(/^With +a browser, where something is not seen$/m);
    expect((await orbis('change site fell --rendered no')).out).not.to.match(/^With /m);
  });

  it('collects what it found, and places it as it stands', async () => {
    site.pages.set('talks', pageOf(film));
    await sweepAll(test.client);
    const found = await orbis('attention');
    expect([found.exit, found.out]).to.satisfy(
      ([exit, out]: [number, string]) =>
        exit === 0 && out.startsWith('note Not in the register in fell/talks'),
    );
    const id = idOf(found);
    expect((await orbis(`show finding ${id}`)).out).to.include(film);
    expect((await orbis(`change finding ${id} --name X`)).err).to.include('go with --collect');
    const collected = await orbis(`change finding ${id} --collect --name "Northern lights" --spot sky`);
    expect(collected.out).to.match(
      /^Collected as northern-lights, and placed as it stands:\n {2}fell\/talks#sky /,
    );
    expect((await orbis('where northern-lights')).out).to.match(/^fell\/talks#sky +live /m);
    expect((await orbis(`show finding ${id}`)).out).to.match(/^ {2}Solved by hand, /m);
  });

  it('says in the history of a page what was found on it, and is not so any more', async () => {
    site.pages.set('talks', pageOf(film.replace('title="Aurora"', 'title="Lights"')));
    await sweepAll(test.client);
    const told = (await orbis('history fell/talks')).out.replaceAll(/\s+/g, ' ');
    expect(told).to.include('note: A frame from otherside.localhost is on the page');
    site.pages.set('talks', pageOf(''));
    await sweepAll(test.client);
    expect((await orbis('history fell/talks')).out.replaceAll(/\s+/g, ' ')).to.include(
      'Not so any more: A frame',
    );
  });
});
