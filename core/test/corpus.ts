import type { Sheet } from '@orbis/core';

/** Kinorill as its sheet describes it, for tests of the core alone. */
export const kinorill: Sheet = {
  id: 'kinorill',
  name: 'Kinorill',
  version: 1,
  kind: 'video',
  hosts: ['kinorill.localhost', 'play.kinorill.localhost'],
  links: [{ hostname: 'kinorill.localhost', pathname: '/films/:id' }],
  frames: [{ hostname: 'play.kinorill.localhost', pathname: '/film/:id' }],
  code: {
    address: '{scheme}://play.kinorill.localhost{+port}/film/{id}',
    width: 640,
    height: 360,
    title: 'Kinorill video',
    allow: ['fullscreen'],
  },
  shape: { width: 16, height: 9 },
  linkTime: { in: 'query', name: 'at', format: 'units' },
  settings: {
    start: { in: 'query', name: 'from', format: 'seconds' },
    end: { in: 'query', name: 'until', format: 'seconds' },
    autoplay: { in: 'query', name: 'roll', on: '1', off: null },
    muted: { in: 'query', name: 'hush', on: '1', off: null },
    loop: { in: 'query', name: 'again', on: '1', off: null },
    controls: { in: 'query', name: 'knobs', on: '1', off: '0' },
  },
  needs: { scripts: true, fullscreen: true },
};

/**
 * A provider that exists in tests only: other names, other formats, parameters in the
 * fragment and in attributes.
 */
export const oddreel: Sheet = {
  id: 'oddreel',
  name: 'Oddreel',
  version: 4,
  kind: 'video',
  hosts: ['oddreel.localhost'],
  links: [{ hostname: 'oddreel.localhost', pathname: '/v', search: 'item=:id' }],
  frames: [{ hostname: 'oddreel.localhost', pathname: '/box/:id' }],
  code: {
    address: '{scheme}://oddreel.localhost{+port}/box/{id}',
    width: 400,
    height: 300,
    title: 'Oddreel',
    allow: [],
  },
  shape: { width: 4, height: 3 },
  settings: {
    end: { in: 'fragment', name: 'out', format: 'clock' },
    start: { in: 'fragment', name: 'in', format: 'units' },
    loop: { in: 'query', name: 'rounds', on: true, off: null },
    muted: { in: 'query', name: 'sound', on: 'false', off: 'true' },
    autoplay: { in: 'attribute', name: 'data-go', on: true, off: null },
    controls: { in: 'attribute', name: 'data-panel', on: 'full', off: 'bare' },
  },
  needs: {},
};

export const sheets = [kinorill, oddreel];

export const talk =
  '<iframe width="560" height="315" src="https://play.kinorill.localhost/film/qX7_LORENZ?lang=en&amp;knobs=1" title="The long night" allow="fullscreen" allowfullscreen></iframe>';

/** Codes of many shapes, well and badly formed; each test that holds for "any code" walks over them. */
export const codes: Record<string, string> = {
  'a plain frame': talk,
  'single quotes and upper case':
    "<IFRAME SRC='https://play.kinorill.localhost/film/a1?FROM=3&lang=en' WIDTH='640' HEIGHT='360'></IFRAME>",
  'no quotes':
    '<iframe src=https://play.kinorill.localhost/film/a1?lang=en&b=2 width=640 height=360></iframe>',
  'a bare ampersand and a fragment':
    '<iframe src="https://play.kinorill.localhost/film/a1?x=1&from=9#top" width="640" height="360"></iframe>',
  'numeric references':
    '<iframe src="https://play.kinorill.localhost/film/a1?x=1&#38;from=9&#x26;until=12" width="640" height="360"></iframe>',
  'duplicate parameters':
    '<iframe src="https://play.kinorill.localhost/film/a1?from=1&amp;from=2&amp;z"></iframe>',
  'text around it':
    'Our talk:\r\n<iframe src="//play.kinorill.localhost/film/a1"></iframe>\r\n<!-- end -->  ',
  'a style of its own':
    '<iframe src="https://play.kinorill.localhost/film/a1" style="border: 2px solid red; min-width:600px;width:560px"></iframe>',
  'an unquoted style': '<iframe style=width:50% src="https://play.kinorill.localhost/film/a1"></iframe>',
  'a box around it':
    '<div style="position:relative;padding-top:56.25%"><iframe src="https://play.kinorill.localhost/film/a1" style="position:absolute"></iframe></div>',
  'element and loader':
    '<div id="feed-7" class="fenn" data-set="7"></div>\n<script async src="https://cdn.fennfeed.localhost/l.js"></script>',
  'a video with sources':
    '<video controls poster="p.jpg"><source src="a.webm" type="video/webm">Your browser plays no video.</video>',
  'a form':
    '<form action="https://formwold.localhost/s" method="post"><input name="mail"><button>Join</button></form>',
  'non-ASCII':
    '<p>Überblick 🌌</p><iframe src="https://play.kinorill.localhost/film/a1?q=%C3%A9&amp;n=ü🌌" title="Nächte 🌌"></iframe>',
  'misnested':
    '<b><i>x</b></i><table><iframe src="https://play.kinorill.localhost/film/a1"></iframe></table>',
  'cut off': '<iframe src="https://play.kinorill.localhost/film/a1',
  'stray tags':
    '</div><html><head></head><body><iframe src="https://play.kinorill.localhost/film/a1"></iframe></body></html>',
  'a parameter without a value':
    '<iframe src="https://oddreel.localhost/box/9?rounds&amp;sound#in=5s"></iframe>',
};
