import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import { refusal, startTestOrbis, type TestOrbis } from './support/orbis.ts';

describe('asking for what a code loads', () => {
  let test: TestOrbis;
  let server: Server;
  let asked: string[] = [];
  let host = '';
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    server = createServer(({ url }, response) => {
      asked.push(url!);
      if (url === '/closed') response.setHeader('x-frame-options', 'DENY');
      if (url === '/few') response.setHeader('content-security-policy', "frame-ancestors 'self'");
      if (url === '/gone') response.statusCode = 410;
      response.end('x'.repeat(100_000));
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    host = `fringe.localhost:${(server.address() as AddressInfo).port}`;
  });
  after(async () => {
    server.close();
    await test.stop();
  });
  const ask = async (text: string) => {
    asked = [];
    return (await test.client.call('inquiries.create', { body: { text } })).data;
  };
  const frame = (path: string): string => `<iframe src="http://${host}/${path}" title="x"></iframe>`;

  it('says nothing of what is there and lets itself be shown', async () => {
    expect(await ask(frame('open'))).to.deep.equal({ asked: 1, troubles: [] });
    expect(asked).to.deep.equal(['/open']);
  });

  for (const [path, code, message] of [
    ['closed', 'refuses-frames', 'does not let its page be framed on your site: it lets nobody'],
    ['few', 'refuses-frames', 'its policy lets only its own site show it'],
    ['gone', 'not-there', 'The page in its frame is not there any more'],
  ] as const)
    it(`says of a frame that is ${path}: ${code}`, async () => {
      const { troubles } = await ask(frame(path));
      expect(troubles.map((trouble) => trouble.code)).to.deep.equal([code]);
      expect(troubles[0]!.message).to.include(message);
    });

  it('says of scripts and sheets whether they answer, and asks for each once', async () => {
    const script = `<script src="http://${host}/gone"></script>`;
    const { asked: number, troubles } = await ask(
      `${script}${script}<link rel="stylesheet" href="http://nobody.invalid/a.css"><img src="http://${host}/a.png">`,
    );
    expect([number, asked]).to.deep.equal([2, ['/gone']]);
    expect(troubles.map(({ code, facts }) => [code, facts['use']])).to.deep.equal([
      ['not-there', 'script'],
      ['no-answer', 'stylesheet'],
    ]);
  });

  it('asks for twelve things at most, and of no code that is none', async () => {
    await ask(Array.from({ length: 20 }, (_, i) => frame(`f${i}`)).join(''));
    expect(asked).to.have.length(12);
    expect((await refusal(ask('words'))).code).to.equal('no-code');
  });
});
