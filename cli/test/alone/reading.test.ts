import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { run } from '../support.ts';

describe('the command line without a service', () => {
  let folder: string;
  before(() => void (folder = mkdtempSync(join(tmpdir(), 'orbis-cli-'))));
  after(() => rmSync(folder, { recursive: true, force: true }));

  it('reads a code, and says what it does', async () => {
    const file = join(folder, 'talk.html');
    writeFileSync(file, 'Our talk:\n  <iframe src="http://media.example/x" width=4 height=3></iframe>\n');
    const { exit, out } = await run(['read', file]);
    expect(exit, 'an error was found').to.equal(1);
    expect(out)
      .to.include('frame')
      .and.include('media.example (frame; by itself)')
      .and.include('insecure, line 2, column 16');
    expect(out).to.include(
      '    <iframe src="http://media.example/x" width=4 height=3></iframe>\n                 ^^^^^^^^^^^^^^^^^^^^^^\n',
    );
  });
  it('reads a link, and shows the code that it would make', async () => {
    const { exit, out } = await run(['read', 'https://kinorill.localhost/films/a7']);
    expect(exit).to.equal(0);
    expect(out)
      .to.include('<iframe src="https://play.kinorill.localhost/film/a7"')
      .and.include('kinorill, version 3');
  });
  it('shows the code cut into its parts, and with --why what spoke for its kind', async () => {
    const code =
      '<div class="booking" data-calendar="7"></div>\n<script async src="https://c.example/l.js"></script>';
    const { out } = await run(['read', '-', '--why'], { stdin: code });
    expect(out)
      .to.include('mount an empty place that a script fills, at every place, 0–45')
      .and.include('loader loads something from elsewhere, once a page, in the head, 46–');
    expect(out).to.match(
      /What spoke for a kind\nkind +weight +reason\nbooking +4 +its elements are called “booking” \(a word for bookings\)/,
    );
  });
  it('refuses --why for several codes, of which it says a line each', async () => {
    const { exit, err } = await run(['read', 'a.html', 'b.html', '--why']);
    expect(exit).to.equal(2);
    expect(err).to.include('--why is told of one code at a time: name one.');
  });
  it('offers the mending of what was pasted wrongly', async () => {
    const { exit, out } = await run(['read', '-'], { stdin: '&lt;b&gt;x&lt;/b&gt;' });
    expect(exit).to.equal(1);
    expect(out).to.include('Code that was written as text becomes code again.').and.include('<b>x</b>');
  });
  it('reads several codes, a line each and a total, or a reading a line', async () => {
    const files = [join(folder, 'a.html'), join(folder, 'b.html')];
    writeFileSync(files[0]!, '<video controls src=a.webm>x</video>');
    writeFileSync(files[1]!, '<iframe src="x');
    const { exit, out } = await run(['read', ...files]);
    expect(exit).to.equal(1);
    expect(out)
      .to.match(/a\.html +video +– +0 +0 +0/)
      .and.include('2 codes read, 1 with errors.');
    const lines = (await run(['read', '--json', ...files])).out.trim().split('\n');
    expect(lines.map((line) => (JSON.parse(line) as { kind: string }).kind)).to.deep.equal([
      'video',
      'unknown',
    ]);
  });
  it('gives the reading itself with --json', async () => {
    const { out } = await run(['read', '-', '--json'], { stdin: '<video controls src="a.webm"></video>' });
    expect(JSON.parse(out)).to.deep.include({ input: 'code', kind: 'video', provider: null });
  });
  it('lists its options', async () => {
    expect((await run(['options'])).out)
      .to.include('start=1:52')
      .and.include('max-width=800');
  });
  it('says how it is used', async () =>
    expect((await run(['collect', '--help'])).out)
      .to.include('Examples:')
      .and.include('--json'));
});
