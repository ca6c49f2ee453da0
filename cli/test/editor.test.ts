import { expect } from 'chai';
import type { EditorRules } from '@orbis/core';
import type { SpecimenReading } from '@orbis/contract';
import { loopbackFetch } from '@orbis/demo';
import { startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { typedAt, type Ran } from './support.ts';

describe('the command line, with a site’s editor', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    for (const key of ['moorhostel', 'skyletter'])
      await orbis(`add site ${key} http://${key}.localhost:${test.world.port}`);
    await orbis('add page moorhostel/stay');
    await orbis('add spot moorhostel/stay#main');
    await test.client.call('embeds.create', {
      body: {
        name: 'Nights',
        text: `<div class="slotsedge-calendar" data-calendar="n"></div><script async src="http://cdn.slotsedge.localhost:${test.world.port}/booking.js"></script>`,
      },
    });
    await orbis('place nights moorhostel/stay#main');
  });
  after(() => test.stop());
  const orbis = (line: string, stdin?: string): Promise<Ran> => typedAt(test)(line, stdin);
  const publish = async (key: string, code: string): Promise<void> => {
    await loopbackFetch()(`http://${key}.localhost:${test.world.port}/edit`, {
      method: 'POST',
      redirect: 'manual',
      body: new URLSearchParams({ code }).toString(),
      headers: { 'content-type': 'application/x-www-form-urlencoded' },
    });
  };

  it('prints a specimen, says that no page has it, then what it shows, and keeps that', async () => {
    const printed = await orbis('specimen moorhostel');
    expect(printed.err).to.include('orbis specimen moorhostel --read PATH --keep');
    const early = await orbis('specimen moorhostel --read');
    expect(early.exit).to.equal(3);
    expect(early.err)
      .to.include('shows nothing of the specimen')
      .and.include('“orbis specimen SITE” prints it.');
    await publish('moorhostel', printed.out);
    const read = await orbis('specimen moorhostel --read');
    expect(read.exit).to.equal(0);
    expect(read.out)
      .to.match(/^This editor lets scripts and frames through, but takes away what scripts find/)
      .and.include('\n  Taken out: comments.\n')
      .and.include('Nothing is kept yet: --keep does.');
    expect((await orbis('editor moorhostel')).out).to.match(/\nTakes out attributes +nothing\n/);
    const kept = await orbis('specimen moorhostel --read --keep --json');
    expect((JSON.parse(kept.out) as SpecimenReading).rules!.attributes.names).to.deep.equal(['src']);
    expect((await orbis('editor moorhostel')).out)
      .to.match(/\nTakes out attributes +all but src\n/)
      .and.match(/\nThe specimen showed on \d.*: This editor lets scripts and frames through/)
      .and.include('\n  Taken out: comments.\n')
      .and.match(/\nRead on http\S+\n$/);
    expect((await orbis('plan moorhostel/stay')).out).to.include('in a frame that Orbis serves');
  });

  it('says that an editor may want a line first', async () => {
    const { out } = await orbis('specimen skyletter');
    await publish('skyletter', out.replaceAll(/^http\S+$/gm, 'words'));
    const { exit, out: told } = await orbis('specimen skyletter --read --keep');
    expect(exit).to.equal(1);
    expect(told).to.include('“orbis editor skyletter --first-line LINE” says it');
  });

  it('changes rules by hand, hands them on as a file, and takes them from another site', async () => {
    const change =
      'editor moorhostel --without-elements <script>,style --only-attributes src,data-* --comments no --delay 2 --most-hosts 3 --shows-unpublished no --asks-for Title=title,Name=name --style-field yes --companion -';
    const { exit } = await orbis(change, '<script src="https://builder.localhost/e.js"></script>\n');
    expect(exit).to.equal(0);
    const rules = JSON.parse((await orbis('editor moorhostel --json')).out) as EditorRules;
    expect(rules).to.deep.include({
      elements: { which: 'these', names: ['script', 'style'] },
      attributes: { which: 'all-but', names: ['src', 'data-*'] },
      ...{ comments: false, delay: 2, mostHosts: 3, showsUnpublished: false },
      ...{ styleField: true, scriptField: false },
      companion: '<script src="https://builder.localhost/e.js"></script>',
      asksFor: [
        { label: 'Title', value: 'title' },
        { label: 'Name', value: 'name' },
      ],
    });
    await orbis('editor moorhostel --most-hosts any --without-elements none');
    await orbis('editor skyletter --from moorhostel');
    const copied = JSON.parse((await orbis('editor skyletter --json')).out) as EditorRules;
    expect(copied).to.deep.include({ mostHosts: null, elements: { which: 'these', names: [] }, delay: 2 });
    expect(copied.styleField).to.equal(true);
    expect((await orbis('editor moorhostel')).out).to.match(/^Fields of a page +style rules$/m);
    await orbis('editor skyletter -', JSON.stringify(rules));
    expect(JSON.parse((await orbis('editor skyletter --json')).out)).to.deep.equal(rules);
    expect((await orbis('editor skyletter --everything')).out).to.match(
      /^Takes +codes\nTakes out elements +nothing/,
    );
    expect((await orbis('plan moorhostel/stay')).out)
      .to.include('\nTitle: ')
      .and.include('\nName: Nights\n')
      .and.include('builder.localhost');
    expect((await orbis('plan moorhostel/stay')).out).to.match(
      /^The editor shows nothing of an embed before you publish\. What you publish can be seen after 2\s+minutes\./,
    );
  });

  for (const [wrong, words] of [
    ['editor moorhostel --delay soon', '“soon” is no whole number.'],
    ['editor moorhostel --comments perhaps', '“perhaps” is neither yes nor no.'],
    ['editor moorhostel --without-elements a --only-elements b', 'only one of them'],
    ['editor moorhostel --from skyletter --everything', 'only one of them'],
    ['editor moorhostel --without-elements no,1b', '“1b”'],
    ['editor moorhostel -', 'These are no rules'],
    ['editor moorhostel --asks-for Title=colour', '“Title=colour” should be such as Title=title'],
    ['specimen moorhostel --keep', '--keep goes with --read.'],
  ] as const)
    it(`refuses “${wrong}”, and changes nothing`, async () => {
      const before = (await orbis('editor moorhostel --json')).out;
      const { exit, err } = await orbis(wrong, '[1]');
      expect(exit).to.equal(2);
      expect(err).to.include(words);
      expect((await orbis('editor moorhostel --json')).out).to.equal(before);
    });
});
