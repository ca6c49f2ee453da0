import type { CodeCase } from './case.ts';

const film = (address: string, rest = ''): string =>
  `<iframe src="${address}" title="Talk" width="560" height="315"${rest}></iframe>`;
const loader = (src: string, rest = ''): string => `<script async src="${src}"${rest}></script>`;

/** What is wrong with codes as people paste them, and what only looks so. */
export const rules: CodeCase[] = [
  // Samples that were left in.
  ...[
    film('https://play.dalewick.example/v/{videoId}'),
    film('https://play.dalewick.example/v/{{ id }}'),
    film('https://play.dalewick.example/v/YOUR_VIDEO_ID'),
    film('https://play.dalewick.example/@USERNAME'),
    film('https://play.dalewick.example/v/[video-id]'),
    film('https://your-subdomain.dalewick.example/v/8'),
    film('www.dalewick.example/v/8'),
    film('#'),
    loader('https://cdn.dalewick.example/d.js?site=...'),
    loader('https://cdn.dalewick.example/d.js', ' data-key="%%SITE_KEY%%"'),
    loader('https://cdn.dalewick.example/d.js', ' data-id="XX-XXXXXXX"'),
    loader('https://cdn.dalewick.example/d.js', ' data-app="your-app-id"'),
    `${loader('https://cdn.dalewick.example/d.js')}<script>dw.start({ key: 'YOUR_APP_ID' });</script>`,
    `${loader('https://cdn.dalewick.example/d.js')}<script>dw('go', "<your site key>");</script>`,
    '<embed src="PDF URL HERE" type="application/pdf" width="600" height="800">',
  ].map((code) => ({ code, rules: ['sample-value'] })),
  ...[
    film('https://play.dalewick.example/v/what-your-name-means-today'),
    film('https://play.dalewick.example/v/my-video'),
    '<form id="my-shop" action="https://f.dalewick.example/8" method="post"><input type="email" name="m" value="Your email"><button>Go</button></form>',
    '<a href="https://shop.dalewick.example/my-page" data-text="Share your page">Shop</a>',
    film('https://play.dalewick.example/v/8', ' data-tooltip="<b>Your name</b>"'),
    film('https://play.dalewick.example/v/XK8-2020'),
    '<iframe srcdoc="<p>Enter your name</p>" title="t" width="300" height="100"></iframe>',
    `${loader('https://cdn.dalewick.example/d.js')}<script>dw.start({ html: '<strong>' });</script>`,
  ].map((code) => ({ code, notRules: ['sample-value'] })),
  // Parameters that run into each other.
  ...[
    film('https://play.dalewick.example/v/8?begin=12stop=40'),
    film('https://play.dalewick.example/v/8?loop=1mute=1'),
    film('https://play.dalewick.example/v/8?a=1?b=2'),
  ].map((code) => ({ code, rules: ['second-question-mark'] })),
  ...[
    film('https://play.dalewick.example/v/8?sig=12ab=='),
    film('https://play.dalewick.example/v/8?t=1m20s'),
    film('https://play.dalewick.example/v/8?u=https%3A%2F%2Fa.example%2F%3Fx%3D1'),
  ].map((code) => ({ code, notRules: ['second-question-mark'] })),
  { code: film('https://play.dalewick.example/v/8?start=90&amp;end=30'), rules: ['clip-order'] },
  { code: film('https://play.dalewick.example/v/8?start=30&amp;end=90'), notRules: ['clip-order'] },
  {
    code: film('https://play.dalewick.example/v/8?start=2026-01-02&amp;end=2026-01-01'),
    notRules: ['clip-order'],
  },
  // Slips of the pen.
  ...[
    '<a herf="https://dalewick.example/">Here</a>',
    '<a href="https://dalewick.example/" taget="_blank">Here</a>',
    '<form acton="https://f.dalewick.example/8" method="post"><button>Go</button></form>',
    '<img scr="https://files.dalewick.example/a.jpg" alt="a">',
    '<link hre="https://files.dalewick.example/a.css" rel="stylesheet">',
    '<input tpye="email" name="m">',
    film('https://play.dalewick.example/v/8', ' heigth="2"').replace(' height="315"', ''),
  ].map((code) => ({ code, rules: ['misspelt'] })),
  ...[
    '<a href="https://dalewick.example/" itemprop="url" property="x">Here</a>',
    '<img src="https://files.dalewick.example/a.jpg" alt="a" d-quiet="yes" data-scr="x">',
    '<form action="https://f.dalewick.example/8" method="post" data-dale><input name="a" d-holds="a"></form>',
  ].map((code) => ({ code, notRules: ['misspelt'] })),
  // An address in the wrong attribute, and a film in a picture.
  ...[
    '<script href="https://cdn.dalewick.example/d.js"></script><div class="dw" data-dw="8"></div>',
    '<iframe url="https://play.dalewick.example/v/8" title="t" width="400" height="300"></iframe>',
    '<img href="https://files.dalewick.example/a.jpg" alt="a">',
    '<img src="https://files.dalewick.example/a.webm" alt="a">',
  ].map((code) => ({ code, rules: ['wrong-element'] })),
  // Fields that robots fill in.
  {
    code: '<form action="https://f.dalewick.example/8" method="post"><input name="m"><select name="s" style="display:none"><option>a</option></select></form>',
    rules: ['hidden-field'],
  },
  // A library is told to fill a place, and nothing brings it.
  {
    code: '<div id="dw-1"></div><script>DaleBox.mount("#dw-1", { key: "k8" });</script>',
    rules: ['half-code'],
  },
  {
    code: '<div id="dw-1"></div><script src="https://cdn.dalewick.example/d.js"></script><script>DaleBox.mount("#dw-1");</script>',
    notRules: ['half-code'],
  },
  {
    code: '<embed src="https://files.dalewick.example/a.pdf" width="600" height="800">',
    rules: ['no-fallback'],
  },
];
