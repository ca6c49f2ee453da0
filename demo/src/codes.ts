/** Codes of the invented providers, one of each kind, and some with the mistakes that people make. */
export interface DemoCode {
  /** The kind that it is of, for codes without a mistake. */
  kind?: string;
  name: string;
  tags: string[];
  text: string;
  notes?: string;
  /** Taken in as the mending that its reading offers would have it. */
  mend?: boolean;
  /** What is asked of it. */
  options?: Readonly<Record<string, string | number | readonly string[]>>;
}

const kinds: DemoCode[] = [
  {
    kind: 'map',
    name: 'The way to the dome',
    tags: ['visit'],
    text: '<iframe width="640" height="480" src="https://mapmere.localhost/embed/map?lat=54.3712&amp;lng=-2.1048&amp;zoom=13" title="Map: the moor road to the observatory" loading="lazy"></iframe>',
  },
  {
    kind: 'booking',
    name: 'Book a night at the telescope',
    tags: ['visit'],
    text: '<div class="slotsedge-calendar" data-calendar="hollinfell-nights"></div>\n<script async src="https://cdn.slotsedge.localhost/booking.js"></script>',
  },
  {
    kind: 'feed',
    name: 'Night log',
    tags: ['night log'],
    text: '<blockquote class="fennfeed-post" cite="https://fennfeed.localhost/p/88213">\n  <p>First light on the new mirror.</p>\n  <a href="https://fennfeed.localhost/p/88213">12 November</a>\n</blockquote>\n<script async src="https://fennfeed.localhost/embed.js"></script>',
  },
  {
    kind: 'audio',
    name: 'Podcast: Under the Fell',
    tags: ['library'],
    text: '<iframe src="https://tonebarn.localhost/podcast/under-the-fell/17" width="100%" height="176" allow="autoplay" title="Podcast: Under the Fell" loading="lazy"></iframe>',
  },
  {
    kind: 'document',
    name: 'Star chart for autumn',
    tags: ['library'],
    text: '<iframe src="https://folioferry.localhost/view/charts/autumn.pdf#page=3" width="700" height="900" title="Star chart for autumn"></iframe>',
  },
  {
    kind: 'counter',
    name: 'Visit counter',
    tags: ['live'],
    options: { counts: 'visitors', digits: 'grouped' },
    text: '<script src="https://count.tallywren.localhost/w.js?site=hollinfell"></script>\n<noscript><img src="https://count.tallywren.localhost/hits.gif?site=hollinfell" alt="Visits" width="88" height="31"></noscript>',
  },
  {
    kind: 'popup',
    name: 'Membership pop-up',
    tags: ['live'],
    text: '<script async src="https://js.popplenook.localhost/popup.js"></script>\n<div class="popplenook-popup" data-campaign="friends-of-the-fell" data-after="20"></div>',
  },
  {
    kind: 'reviews',
    name: 'What visitors say',
    tags: ['visit'],
    options: { frame: 'enclosed', contacts: ['praisecroft.localhost'] },
    text: '<div id="pc-wall" class="praisecroft-reviews" data-place="hollinfell"></div>\n<script async src="https://praisecroft.localhost/reviews.js"></script>',
  },
  {
    kind: 'shop',
    name: 'Shop corner',
    tags: ['shop'],
    text: '<script>\n  window.stallmere = window.stallmere || [];\n  var s = document.createElement("script");\n  s.src = "https://cdn.stallmere.localhost/shop.js";\n  document.head.appendChild(s);\n</script>\n<div id="stall-311" data-shop="311" data-product="moon-map"></div>\n<script>stallmere.push(["show", "#stall-311", { counter: "light" }]);</script>',
  },
  {
    kind: 'share',
    name: 'Tell others',
    tags: ['festival'],
    text: '<iframe src="https://nodthorn.localhost/share?url=https%3A%2F%2Fdarkskyweek.localhost%2F%3Ffrom%3Dbutton" width="132" height="36" title="Share this page" frameborder="0" scrolling="no"></iframe>',
  },
  {
    kind: 'advert',
    name: 'Advert beside the programme',
    tags: ['festival'],
    text: '<iframe src="https://hoardinglea.localhost/slot/festival-side" width="300" height="250" title="Advert" sandbox="allow-scripts allow-popups"></iframe>',
  },
];

const mistakes: DemoCode[] = [
  {
    name: 'Mistake: code as text',
    tags: ['mistakes'],
    mend: true,
    text: '<p>&lt;iframe src="https://mapmere.localhost/embed/map?lat=54.3712&amp;amp;lng=-2.1048" title="Map"&gt;&lt;/iframe&gt;</p>',
    notes: 'It was copied out of a letter, and mended when it was collected.',
  },
  {
    name: 'Mistake: typographic quotes',
    tags: ['mistakes'],
    text: '<iframe src=“https://tonebarn.localhost/podcast/under-the-fell/18” title=“Podcast”></iframe>',
  },
  {
    name: 'Mistake: the sample left in',
    tags: ['mistakes'],
    text: '<iframe src="https://folioferry.localhost/view/YOUR-DOCUMENT-ID" title="Document"></iframe>',
  },
  {
    name: 'Mistake: half of a code',
    tags: ['mistakes'],
    text: '<div class="slotsedge-calendar" data-calendar="hollinfell-nights"></div>',
  },
  {
    name: 'Mistake: the end is missing',
    tags: ['mistakes'],
    text: '<iframe src="https://mapmere.localhost/embed/map?zoom=13" title="Map">',
  },
  {
    name: 'Mistake: sound by itself',
    tags: ['mistakes'],
    text: '<video autoplay controls="false" src="https://hollinfell.localhost/files/dome.mov"></video>',
  },
];

/** In the order in which they are collected. */
export const demoCodes: readonly DemoCode[] = [...mistakes, ...kinds];

/** A code as it stands, on the port on which the demo answers: the stand-ins have no certificates. */
export const onPort = (text: string, port: number): string =>
  text.replace(/https:\/\/([a-z.]+\.localhost)(?![:\w.])/g, `http://$1:${port}`);
