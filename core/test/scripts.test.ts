import { expect } from 'chai';
import { read, type Reading } from '@orbis/core';
import { formatKindReasons } from '@orbis/contract';
import { sheets } from './corpus.ts';

const context = { sheets };
const script = (code: string, around = ''): Reading => read(`${around}<script>${code}</script>`, context);
const hosts = (code: string): string[] =>
  script(code).hosts.map((h) => `${h.host} ${h.uses.join('+')} ${h.when}`);
const globals = (code: string): string[] =>
  script(code)
    .claims.filter((c) => c.what === 'global')
    .map((c) => (c.shared ? `${c.name} (shared)` : c.name));

describe('what is inside scripts', () => {
  for (const [label, code, found] of [
    ['a plain string', 'var a = "https://a.localhost/x.js"', ['a.localhost data use']],
    [
      'pieces put together',
      'var h = "a.localhost"; var u = "https://" + h + "/x.js"; f(u)',
      ['a.localhost data use'],
    ],
    ['a template', 'const h = "a.localhost"; f(`https://${h}/x/${id}`)', ['a.localhost data use']],
    ['the page’s protocol', 'f(location.protocol + "//a.localhost/x.js")', ['a.localhost data use']],
    [
      'a choice by protocol',
      'f(("https:" == document.location.protocol ? "https://s" : "http://w") + ".a.localhost/x")',
      ['s.a.localhost data use', 'w.a.localhost data use'],
    ],
    [
      'concat and join',
      'f("https://".concat("a.localhost", "/x")); f(["https:", "", "b.localhost", "x"].join("/"))',
      ['a.localhost data use', 'b.localhost data use'],
    ],
    [
      'a script that it creates',
      'var s = document.createElement("script"); s.src = "//a.localhost/x.js"; document.head.appendChild(s)',
      ['a.localhost script load'],
    ],
    [
      'a picture that it creates',
      'new Image().src = "https://a.localhost/p.gif"; var i = new Image; i.src = "https://b.localhost/p.gif"',
      ['a.localhost image load', 'b.localhost image load'],
    ],
    ['a request', 'fetch("https://a.localhost/api?x=" + y)', ['a.localhost data load']],
    [
      'written markup',
      'document.write("<img src=\\"https://a.localhost/p.gif\\">")',
      ['a.localhost data load'],
    ],
    ['a window that it opens', 'window.open("https://a.localhost/")', ['a.localhost link use']],
    ['no address at all', 'var a = "//", b = "http", c = "a // b", d = /https:\\/\\/x/', []],
    ['what cannot be parsed', 'let = = "https://a.localhost/x"; @@@', ['a.localhost data load']],
    ['a comment', '/* https://a.localhost/x */ 1', []],
  ] as [string, string, string[]][]) {
    it(`finds the hosts of ${label}`, () => expect(hosts(code)).to.deep.equal(found));
  }

  for (const [label, code, found] of [
    [
      'a declaration at the top',
      'var a = 1; let b; const c = 2; function d() {} class E {}',
      ['d', 'E', 'a', 'b', 'c'],
    ],
    [
      'a queue that is laid down once',
      'var q = q || []; window.r = window.r || []; s = s || {}; t ??= 1',
      ['q (shared)', 'r (shared)', 's (shared)', 't (shared)'],
    ],
    [
      'an assignment to the window, by every name',
      'window.a = 1; self.b = 2; globalThis.c = 3; window["d"] = 4',
      ['a', 'b', 'c', 'd'],
    ],
    ['an undeclared name', 'function f() { leaked = 1; var own = 2; own = 3 } f()', ['f', 'leaked']],
    [
      'an alias that is passed in',
      '(function (w, d, s, o) { w[o] = w[o] || function () {}; w.plain = 1; var own = d })(window, document, "script", "slots")',
      ['slots (shared)', 'plain'],
    ],
    ['nothing that is local', '(() => { const a = 1; let b = 2; var c = 3; function d() {} })()', []],
    ['a parameter', '(function (a) { a = 2; a.x = 3 })({})', []],
  ] as [string, string, string[]][]) {
    it(`finds the globals of ${label}`, () => expect(globals(code)).to.have.members(found));
  }

  it('finds listeners on the window and the document, and on nothing else', () => {
    const { claims } = script(
      'window.addEventListener("message", f); document.addEventListener("click", f); addEventListener("scroll", f); b.addEventListener("x", f); window.onresize = f; b.onclick = f',
    );
    expect(claims.filter((c) => c.what === 'listener').map((c) => c.name)).to.have.members([
      'message',
      'click',
      'scroll',
      'resize',
    ]);
  });

  it('claims a field only where a script looks it up', () => {
    const form = '<form action="https://f.localhost/"><input name="mail"><input name="town"></form>';
    expect(
      script('document.querySelector(\'[name="mail"]\').focus()', form)
        .claims.filter((c) => c.what === 'field')
        .map((c) => c.name),
    ).to.deep.equal(['mail']);
  });
});

describe('what is inside styles', () => {
  it('finds imports, pictures and fonts', () => {
    const { hosts: found } = read(
      '<style>@import "https://a.localhost/x.css"; @import url(//b.localhost/y.css); .x{background:url("https://c.localhost/z.png")}</style><div class=x style="background:url(https://d.localhost/e.png)"></div>',
      context,
    );
    expect(found.map((h) => `${h.host} ${h.uses.join('+')}`)).to.have.members([
      'a.localhost stylesheet',
      'b.localhost stylesheet+image',
      'c.localhost image',
      'd.localhost image',
    ]);
  });
  it('claims the rules that reach the rest of the page', () => {
    const { claims } = read(
      '<style>.x p{} h1, #y b{} @media print{a:hover{}}</style><div class=x></div><div id=y></div>',
      context,
    );
    expect(claims.filter((c) => c.what === 'style').map((c) => c.name)).to.deep.equal(['h1', 'a:hover']);
  });
});

describe('the parts of codes with scripts', () => {
  const told = (code: string): string[] =>
    read(code, context)
      .parts.filter((p) => p.role !== 'text')
      .map((p) => `${p.role} ${p.place} ${p.repeat}${p.of.length > 0 ? ` of ${p.of.join(',')}` : ''}`);
  for (const [label, code, parts] of [
    [
      'an element and an async loader',
      '<div id="f" class="x" data-set="7"></div><script async src="https://c.localhost/l.js"></script>',
      ['mount body placement', 'loader head page of 0'],
    ],
    [
      'a loader that blocks beside an element',
      '<div class="x" data-a="1"></div><script src="https://c.localhost/l.js"></script>',
      ['mount body placement', 'loader body page of 0'],
    ],
    [
      'a script alone, which writes where it stands',
      '<script src="https://c.localhost/write.js"></script>',
      ['loader body placement'],
    ],
    [
      'a script that carries this embed’s number',
      '<div id="a"></div><script async src="https://c.localhost/l.js?form_id=4711"></script>',
      ['mount body placement', 'loader body placement of 0'],
    ],
    [
      'a version is no number of an embed',
      '<div id="a"></div><script async src="https://c.localhost/4.12.0/lib.min.js"></script>',
      ['mount body placement', 'loader head page of 0'],
    ],
    [
      'a script with data of its own',
      '<script async src="https://c.localhost/l.js" data-account="9"></script>',
      ['loader body placement'],
    ],
    [
      'a queue is laid down once',
      '<script>window.q=window.q||[];var s=document.createElement("script");s.src="https://c.localhost/l.js";document.head.append(s)</script><div class="m" data-x="1"></div>',
      ['setup body page', 'mount body placement'],
    ],
    [
      'what names the element is needed at each place',
      '<div id="m"></div><script>start(document.getElementById("m"))</script>',
      ['mount body placement', 'setup body placement of 0'],
    ],
    [
      'what fills the queue is needed at each place',
      '<script>q.push(["show","7"])</script>',
      ['setup body placement'],
    ],
    [
      'data feeds its element',
      '<div class="m"></div><script type="application/json">{"a":1}</script>',
      ['mount body placement', 'setup body placement of 0'],
    ],
    [
      'a stylesheet belongs to the head, once',
      '<link rel="stylesheet" href="https://c.localhost/x.css"><div class="m" data-a=1></div><script async src="https://c.localhost/l.js"></script>',
      ['loader head page of 1', 'mount body placement', 'loader head page of 1'],
    ],
    [
      'a quotation with a script',
      '<blockquote class="post" cite="https://f.localhost/1"><p>Words</p><a href="https://f.localhost/1">date</a></blockquote><script async src="https://f.localhost/l.js"></script>',
      ['mount body placement', 'loader head page of 0'],
    ],
    [
      'a custom element',
      '<tally-wren site="7"></tally-wren><script type="module" src="https://c.localhost/l.js"></script>',
      ['mount body placement', 'loader head page of 0'],
    ],
    [
      'a picture for whoever has no scripts',
      '<script async src="https://c.localhost/l.js"></script><noscript><img src="https://c.localhost/p.gif"></noscript>',
      ['loader head page', 'fallback body placement of 0', 'image body placement'],
    ],
    [
      'a shape box',
      '<div style="position:relative;padding-bottom:56.25%"><iframe src="https://c.localhost/" style="position:absolute"></iframe></div>',
      ['wrapper body placement', 'frame body placement'],
    ],
  ] as [string, string, string[]][]) {
    it(label, () => expect(told(code)).to.deep.equal(parts));
  }
});

describe('the size of a code', () => {
  const size = (code: string) => {
    const { width, height, ratio } = read(code, context).size;
    return [width && `${width.value}${width.unit}`, height && `${height.value}${height.unit}`, ratio];
  };
  for (const [label, code, told] of [
    ['attributes', '<iframe src=x width=640 height="360"></iframe>', ['640px', '360px', 1.7778]],
    ['per cent and px', '<iframe src=x width="100%" height="360"></iframe>', ['100%', '360px', null]],
    [
      'a style over attributes',
      '<iframe src=x width=640 height=360 style="width:50%;height:20em"></iframe>',
      ['50%', '20em', null],
    ],
    [
      'the code’s own rules',
      '<style>.p{width:400px;height:300px}</style><iframe class=p src=x></iframe>',
      ['400px', '300px', 1.3333],
    ],
    [
      'data attributes',
      '<iframe src=x data-width="320" data-height=180></iframe>',
      ['320px', '180px', 1.7778],
    ],
    [
      'padding of the box around it',
      '<div style="padding:56.25% 0 0 0;position:relative"><iframe src=x></iframe></div>',
      [null, null, 1.7778],
    ],
    [
      'padding at the bottom',
      '<div style="padding-bottom: 75%"><iframe src=x width="100%" height="100%"></iframe></div>',
      ['100%', '100%', 1.3333],
    ],
    [
      'the shape of the box around it',
      '<div style="aspect-ratio: 9 / 16"><iframe src=x></iframe></div>',
      [null, null, 0.5625],
    ],
    [
      'a box by a rule',
      '<style>.b{padding-top:50%}</style><div class=b><iframe src=x></iframe></div>',
      [null, null, 2],
    ],
    ['nothing', '<iframe src=x></iframe>', [null, null, null]],
    [
      'two lengths of different kinds',
      '<iframe src=x style="width:10em;height:100px"></iframe>',
      ['10em', '100px', null],
    ],
  ] as [string, string, unknown[]][]) {
    it(`from ${label}`, () => expect(size(code)).to.deep.equal(told));
  }
});

describe('the kind of a code', () => {
  const kind = (code: string): string => read(code, context).kind;
  for (const [code, told] of [
    [
      '<iframe src="https://a.localhost/embed/video/7" width=560 height=315 allowfullscreen title=t></iframe>',
      'video',
    ],
    ['<iframe src="https://a.localhost/embed?lat=54.1&lng=-2.3&zoom=12" title=t></iframe>', 'map'],
    ['<iframe src="https://a.localhost/charts/autumn.pdf" title=t></iframe>', 'document'],
    [
      '<iframe src="https://a.localhost/episode/7" width="100%" height=120 allow="autoplay" title="Podcast"></iframe>',
      'audio',
    ],
    ['<audio controls src="a.mp3"></audio>', 'audio'],
    ['<form action="https://a.localhost/x"><input type=email name=m></form>', 'form'],
    [
      '<div class="booking-widget" data-calendar="7"></div><script async src="https://a.localhost/schedule.js"></script>',
      'booking',
    ],
    [
      '<blockquote class="post" cite="https://a.localhost/p/1">x</blockquote><script async src="https://a.localhost/embed.js"></script>',
      'feed',
    ],
    [
      '<script src="https://a.localhost/c.js"></script><noscript><img src="https://a.localhost/hits.gif"></noscript>',
      'counter',
    ],
    ['<iframe src="https://a.localhost/b?z=1" width=728 height=90 title=t></iframe>', 'advert'],
    [
      '<iframe src="https://a.localhost/share?url=https%3A%2F%2Fb.localhost%2F" width=90 height=20 title=t></iframe>',
      'share',
    ],
    [
      '<div class="reviews-widget" data-rating="x"></div><script async src="https://a.localhost/testimonials.js"></script>',
      'reviews',
    ],
    [
      '<div data-shop="7" data-product="9"></div><script async src="https://a.localhost/cart.js"></script>',
      'shop',
    ],
    ['<iframe src="https://a.localhost/e/7f3k" width=560 height=315 title=t></iframe>', 'frame'],
    ['<iframe src="https://a.localhost/e/7f3k" title=t></iframe>', 'frame'],
    ['<img src="https://a.localhost/x.png">', 'image'],
    ['<div class="x" data-y="1"></div><script async src="https://a.localhost/e.js"></script>', 'unknown'],
  ] as const) {
    it(`is ${told} for ${code.slice(0, 80)}`, () => expect(kind(code)).to.equal(told));
  }
  it('says between which two it cannot tell', () => {
    const { kind, kindReasons } = read(
      '<iframe src="https://a.localhost/shop/map" title=t></iframe>',
      context,
    );
    expect(kind).to.equal('frame');
    expect(formatKindReasons(kindReasons)).to.match(
      /^It holds another page and it could be a shop as well as a map\./,
    );
  });
  it('is told with its reasons, and the whole evidence is there', () => {
    const reading = read(
      '<iframe src="https://a.localhost/embed/video/7" title="A talk" allow="picture-in-picture"></iframe>',
      context,
    );
    expect(formatKindReasons(reading.kindReasons)).to.equal(
      'Its address says “video” (a word for videos) and it asks to play by itself or picture in picture.',
    );
    expect(reading.evidence).to.deep.include({
      kind: 'video',
      weight: 3,
      reason: { code: 'asks-to-play', facts: {} },
    });
  });
});

describe('mending', () => {
  for (const [label, text, what, mended] of [
    ['code as text', '&lt;b&gt;x&lt;/b&gt;', 'visible-code', '<b>x</b>'],
    ['code as text twice over', '&amp;lt;b&amp;gt;x&amp;lt;/b&amp;gt;', 'visible-code', '<b>x</b>'],
    [
      'code in paragraphs',
      '<p>&lt;iframe src="x"&gt;</p><p>&lt;/iframe&gt;</p>',
      'visible-code',
      '<iframe src="x">\n</iframe>',
    ],
    ['code in a fence', 'Use this:\n```html\n<b>x</b>\n```\n', 'visible-code', 'Use this:\n<b>x</b>'],
    [
      'typographic quotes',
      '<a href=“x” title="it’s">y</a>',
      'curly-quotes',
      '<a href="x" title="it’s">y</a>',
    ],
    ['an open last tag', '<iframe src="x"></iframe', 'open-tag', '<iframe src="x"></iframe>'],
  ] as const) {
    it(`is offered for ${label}`, () => {
      const { mending } = read(text, context);
      expect(mending).to.include({ what, text: mended });
      let out = text as string;
      for (const edit of [...mending!.edits].reverse())
        out = out.slice(0, edit.start) + edit.text + out.slice(edit.end);
      expect(out, 'the edits make the text').to.equal(mended);
      expect(read(mended, context).mending, 'what is mended needs no mending').to.equal(null);
    });
  }
  for (const text of [
    '<b>x</b>',
    'a &lt; b',
    'words',
    '',
    '<p title="“x”">y</p>',
    '<a href="x">“y”</a>',
    'a < b',
  ]) {
    it(`is not offered for ${JSON.stringify(text)}`, () =>
      expect(read(text, context).mending).to.equal(null));
  }
});
