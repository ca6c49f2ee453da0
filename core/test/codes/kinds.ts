import type { CodeCase } from './case.ts';

const frame = (src: string, rest = ''): string =>
  `<iframe src="${src}" ${rest} width="600" height="420" title="Here"></iframe>`;
const fill = (mount: string, loader: string): string => `${mount}\n<script async src="${loader}"></script>`;

/** What codes are, by where a word stands and by what they show themselves. */
export const kinds: CodeCase[] = [
  // One plain word as a step of the address, in several languages.
  { code: frame('https://www.dalewick.example/maps/view/8842'), kind: 'map' },
  { code: frame('https://dalewick.example/karte/ort-8842'), kind: 'map' },
  { code: frame('https://dalewick.example/carte/8842'), kind: 'map' },
  { code: frame('https://askmoor.example/survey/8842'), kind: 'form' },
  { code: frame('https://askmoor.example/umfrage/8842'), kind: 'form' },
  { code: frame('https://askmoor.example/formulaire/8842'), kind: 'form' },
  { code: frame('https://tableford.example/reservation/8842'), kind: 'booking' },
  { code: frame('https://tableford.example/prenotazione/8842'), kind: 'booking' },
  { code: frame('https://leafdeck.example/slideshow/8842'), kind: 'document' },
  { code: frame('https://leafdeck.example/folien/8842'), kind: 'document' },
  { code: frame('https://soundmere.example/podcast/8842', 'allow="autoplay"'), kind: 'audio' },
  { code: frame('https://praisewell.example/bewertungen/8842'), kind: 'reviews' },
  { code: frame('https://docs.leafdeck.example/forms/8842/fill'), kind: 'form' },
  // A place that a script fills, called by what will be there.
  {
    code: fill('<div class="dw-embed" data-dw-form="8"></div>', 'https://cdn.dalewick.example/d.js'),
    kind: 'form',
  },
  {
    code: fill('<div class="dalewick-timeline" data-dw="8"></div>', 'https://cdn.dalewick.example/d.js'),
    kind: 'feed',
  },
  {
    code: '<dale-player film="8"></dale-player><script src="https://dalewick.example/p.js"></script>',
    kind: 'video',
  },
  { code: fill('<div data-poll-id="8"></div>', 'https://dalewick.example/p.js'), kind: 'form' },
  { code: fill('<div id="dale-testimonials"></div>', 'https://dalewick.example/p.js'), kind: 'reviews' },
  { code: fill('<div class="dale-share"></div>', 'https://dalewick.example/p.js'), kind: 'share' },
  // What a viewer or a map is told in its address.
  { code: frame('https://leafdeck.example/show?doc=8842.pdf'), kind: 'document' },
  { code: frame('https://dalewick.example/embed?bbox=-2.1,54.1,-2.0,54.2'), kind: 'map' },
  {
    code: '<iframe src="https://soundmere.example/player/episode/8842" allow="autoplay" width="620" height="140" title="x"></iframe>',
    kind: 'audio',
  },
  // What only sounds like it.
  {
    code: frame('https://rainfell.example/forecast/location/8842', 'id="location-box"'),
    kindIn: ['frame', 'unknown'],
  },
  { code: frame('https://storyfell.example/book/8842'), kindIn: ['frame', 'unknown', 'document'] },
  {
    code: '<iframe src="https://playfell.example/puzzle/8842" width="300" height="250" title="Puzzle"></iframe>',
    kindIn: ['frame', 'unknown'],
  },
  {
    code: '<iframe src="https://ads.bannermoor.example/slot/8842" width="300" height="250" title="Advertisement"></iframe>',
    kind: 'advert',
  },
  // A picture says what a code is only where nothing else does.
  {
    code: fill(
      '<div class="dw-box" data-dw="8"><img src="https://cdn.dalewick.example/wait.gif" alt="" width="20" height="20"></div>',
      'https://cdn.dalewick.example/d.js',
    ),
    kind: 'unknown',
  },
  {
    code: '<video controls poster="https://files.dalewick.example/a.jpg" src="https://files.dalewick.example/a.mp4">x</video>',
    kind: 'video',
  },
  {
    code: '<a href="https://numberfell.example/site/8842"><img src="https://numberfell.example/counter/8842.png" alt="Visits" width="88" height="31"></a>',
    kind: 'counter',
  },
  {
    code: '<img src="https://files.dalewick.example/dome.jpg" alt="The dome" width="800" height="533">',
    kind: 'image',
  },
  {
    code: '<picture><source srcset="https://files.dalewick.example/d.avif" type="image/avif"><img src="https://files.dalewick.example/d.jpg" alt="The dome" width="900" height="600"></picture>',
    kind: 'image',
    ratio: 1.5,
  },
  // An attribute that a provider of the demo has as well.
  {
    code: '<div class="dw-stars" data-shop="8"></div><script async src="https://dalewick.example/reviews.js"></script>',
    kind: 'reviews',
  },
  // The place, the host and the title: each by itself, and the owner's own words last.
  { code: frame('https://map.dalewick.example/8842').replace('"Here"', '"Shop opening hours"'), kind: 'map' },
  { code: frame('https://dalewick.example/e/8842').replace('"Here"', '"Contact form"'), kind: 'form' },
  {
    code: '<img src="https://files.dalewick.example/shop/review/8.jpg" alt="Our shop" width="640" height="480">',
    kind: 'image',
  },
  // A link that hands the page on.
  {
    code: '<a href="https://tellfell.example/share?u=https%3A%2F%2Fhollin.example" target="_blank" rel="noopener">Tell others</a>',
    kind: 'share',
  },
  {
    code: '<a href="https://tellfell.example/share?url=https%3A%2F%2Fhollin.example&amp;text=Look">Share</a>',
    kind: 'share',
  },
];
