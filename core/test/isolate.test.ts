import { expect } from 'chai';
import fc from 'fast-check';
import { isHost, openCode, sandboxTokensOf, previewDocument, writePolicy } from '@orbis/core';
import { formatSandboxToken } from '@orbis/contract';
import { codes, sheets, talk } from './corpus.ts';

const preview = (text: string, also: string[] = []) => {
  const code = openCode(text, { sheets });
  const { html, policy } = previewDocument(text, code.reading, code.sheet, {
    title: 'A <b>title</b>',
    ancestors: ['http://localhost:7420'],
    ownHost: true,
    language: 'en',
    also,
  });
  return {
    html,
    policy: new Map(
      policy
        .split('; ')
        .map((directive) => [directive.split(' ')[0]!, directive.split(' ').slice(1).join(' ')]),
    ),
  };
};

describe('the document of a preview', () => {
  it('holds the code as it is, and nothing else of the owner’s', () => {
    const { html } = preview(talk);
    expect(html)
      .to.include(`<body>\n${talk}\n</body>`)
      .and.include('<title>A &lt;b&gt;title&lt;/b&gt;</title>');
  });

  it('lets in what the reading names, with the other hosts of a known provider', () => {
    const { policy } = preview(
      talk.replace('https://play', 'http://play').replace('.localhost/', '.localhost:7430/'),
    );
    expect(policy.get('frame-src')).to.equal(
      'http://play.kinorill.localhost:7430 http://kinorill.localhost:7430',
    );
    expect(policy.has('script-src')).to.equal(false);
    expect(policy.get('default-src')).to.equal("'none'");
    expect(policy.get('frame-ancestors')).to.equal('http://localhost:7420');
  });

  it('tells where its player is, and what does not work, by one script of ours; nothing more is let in', () => {
    const options = {
      title: 't',
      ancestors: ['http://localhost:7420'],
      ownHost: true,
      language: 'en',
      relay: { src: 'http://x.frames.localhost:7421/relay.js', to: 'http://localhost:7420' },
    };
    const document = (text: string, own = sheets) => {
      const code = openCode(text, { sheets: own });
      return previewDocument(text, code.reading, code.sheet, options);
    };
    const telling = sheets.map((sheet) => ({
      ...sheet,
      tellsTime: { member: 'where.at', format: 'milliseconds' as const },
    }));
    const player = document(talk, telling);
    expect(player.html).to.include(
      `<script src="${options.relay.src}" data-to="http://localhost:7420" data-member="where.at" data-units="1000"></script>`,
    );
    expect(player.policy)
      .to.include(`script-src ${options.relay.src};`)
      .and.to.match(/^sandbox allow-scripts allow-same-origin;/);
    const file = document('<video src="https://hollinfell.localhost/a.webm" controls></video>');
    expect(file.policy)
      .to.include(`script-src ${options.relay.src};`)
      .and.to.match(/^sandbox allow-scripts;/);
    // Where nothing tells it the time, it tells what does not work.
    expect(document(talk).html).to.include('data-member="" data-units="1"></script><title>');
    expect(preview(talk).html).not.to.include('relay');
  });

  it('lets in a loader’s host and inline scripts only where the code has them', () => {
    expect(preview(codes['element and loader']!).policy.get('script-src')).to.equal(
      'https://cdn.fennfeed.localhost',
    );
    expect(preview('<script>x()</script>').policy.get('script-src')).to.equal("'unsafe-inline'");
  });

  it('lets in what only a script names', () => {
    const { policy } = preview(
      '<script>var s=document.createElement("script");s.src="https://cdn.stallmere.localhost/s.js";fetch("https://api.stallmere.localhost/x")</script>',
    );
    expect(policy.get('script-src')).to.equal("cdn.stallmere.localhost:* 'unsafe-inline'");
    expect(policy.get('connect-src')).to.equal('api.stallmere.localhost:*');
  });

  it('sends forms where they say, and nowhere otherwise', () => {
    expect(preview(codes['a form']!).policy.get('form-action')).to.equal('https://formwold.localhost');
    expect(preview(talk).policy.get('form-action')).to.equal("'none'");
    // One that its script makes when it is there, where it may send any.
    const made = '<div class="a-letter"></div><script src="https://another.localhost/form.js"></script>';
    expect(preview(made).policy.get('form-action')).to.equal("'none'");
    expect(preview(made, ['allow-forms']).policy.get('form-action')).to.equal('https://another.localhost');
  });

  it('names no source that could carry another directive', () => {
    const { policy } = preview(
      '<img src="https://a.localhost/;script-src *"><img src="https://b.localhost; script-src *">',
    );
    expect(policy.get('img-src')).to.equal('https://a.localhost');
    expect(policy.has('script-src')).to.equal(false);
  });
});

describe('a policy', () => {
  it('has its sandbox and its ancestors first', () =>
    expect(
      writePolicy([
        ['default-src', ["'none'"]],
        ['frame-ancestors', ['https://a.localhost']],
        ['sandbox', []],
      ]),
    ).to.equal("sandbox; frame-ancestors https://a.localhost; default-src 'none'"));
  for (const value of [
    'https://a.localhost; script-src *',
    'a,b',
    'a b',
    'a\tb',
    'a\nb',
    'a\u0000',
    'a\u00a0b',
    '',
  ]) {
    it(`is not made of ${JSON.stringify(value)}`, () => {
      expect(() => writePolicy([['img-src', [value]]])).to.throw(TypeError);
      expect(() => writePolicy([[value, []]])).to.throw(TypeError);
    });
  }
  it('is never broken out of, whatever the sources are', () =>
    fc.assert(
      fc.property(fc.array(fc.string({ unit: 'binary', maxLength: 12 }), { maxLength: 4 }), (values) => {
        try {
          const [directive, more] = writePolicy([['img-src', values]]).split(';');
          expect(more).to.equal(undefined);
          expect(directive!.split(' ')).to.deep.equal(['img-src', ...values]);
        } catch (error) {
          expect(error).to.be.instanceOf(TypeError);
        }
      }),
    ));
  for (const [host, fits] of [
    ['a.localhost', true],
    ['*.a.localhost', true],
    ['xn--bcher-kva.localhost', true],
    ['1.2.3.4', true],
    ['*', false],
    ['a.*.localhost', false],
    ['a..localhost', false],
    ['-a.localhost', false],
    ['a.localhost;', false],
    ["'self'", false],
    ['a b', false],
    ['bücher.localhost', false],
    ['[::1]', false],
    ['', false],
  ] as const)
    it(`${fits ? 'takes' : 'does not take'} “${host}” for a host`, () => expect(isHost(host)).to.equal(fits));
});

describe('the sandbox tokens of a code', () => {
  for (const [label, text, tokens] of [
    ['a frame', talk, ['allow-scripts', 'allow-same-origin']],
    ['a picture', '<img src="https://a.localhost/x.png">', []],
    ['a form', codes['a form']!, ['allow-forms']],
    ['a loader', codes['element and loader']!, ['allow-scripts']],
  ] as const) {
    it(`of ${label} are ${tokens.join(' ') || 'none'}, each with its reason`, () => {
      const sandboxTokens = sandboxTokensOf(openCode(text, { sheets }).reading);
      expect(sandboxTokens.map((power) => power.token)).to.deep.equal(tokens);
      for (const { reason } of sandboxTokens)
        expect(formatSandboxToken(reason)).to.have.length.greaterThan(10);
    });
  }
});
