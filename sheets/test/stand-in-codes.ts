/**
 * How a stand-in provider writes the code of one of its items, with some settings: four each, as owners would
 * have copied them.
 */
export interface StandInCodes {
  provider: string;
  codes: readonly (readonly [item: string, code: string])[];
}

const frame = (address: string, size: string, title: string): string =>
  `<iframe src="https://${address}" ${size} title="${title}" loading="lazy"></iframe>`;
const script = (address: string): string => `<script async src="https://${address}"></script>`;
const each = (
  provider: string,
  items: readonly (readonly [item: string, rest: string])[],
  write: (item: string, rest: string, number: number) => string,
): StandInCodes => ({
  provider,
  codes: items.map(([item, rest], number) => [item, write(item, rest, number)]),
});
const stall = (shop: string, options: string): string =>
  `<script>\n  window.stallmere = window.stallmere || [];\n</script>\n<div id="stall-${shop}" data-shop="${shop}"></div>\n<script>stallmere.push(["show", "#stall-${shop}", ${options}]);</script>\n${script('cdn.stallmere.localhost/shop.js')}`;

export const standInCodes: readonly StandInCodes[] = [
  each(
    'kinorill',
    [
      ['nB4moorNight', '?from=112&amp;until=184&amp;knobs=1'],
      ['cM7comet', '?roll=1&amp;hush=1&amp;again=1&amp;knobs=0'],
      ['rG5rings', '?from=65&amp;tongue=de&amp;hue=aa3355&amp;words=1'],
      ['tS9turning', '?hush=1'],
    ],
    (item, rest, n) =>
      frame(`play.kinorill.localhost/film/${item}${rest}`, 'width="640" height="360"', `Reel ${n}`),
  ),
  each(
    'mapmere',
    [
      ['map', '?lat=54.3712&amp;lng=-2.1048&amp;zoom=13'],
      ['tarn', '?lat=54.3804&amp;lng=-2.1215&amp;zoom=15&amp;layer=relief'],
      ['moor-road', '?lat=54.3651&amp;lng=-2.0931&amp;zoom=12&amp;layer=paper&amp;tongue=de&amp;pin=2f6145'],
      ['sheepfold', '?zoom=9'],
    ],
    (item, rest) =>
      frame(`mapmere.localhost/embed/${item}${rest}`, 'width="640" height="480"', `Map: ${item}`),
  ),
  each(
    'tonebarn',
    [
      ['17', '?begin=12'],
      ['18', '/skin-slate?ink=aa3355'],
      ['16', '/skin-linen?quiet=yes&amp;keep=no'],
      ['9', ''],
    ],
    (item, rest) =>
      frame(
        `tonebarn.localhost/podcast/under-the-fell/${item}${rest}`,
        'width="100%" height="176"',
        `Under the Fell, ${item}`,
      ),
  ),
  each(
    'folioferry',
    [
      ['autumn.pdf', '#page=3'],
      ['winter.pdf', '?take=0#page=1&amp;scale=150'],
      ['spring.pdf', '#fit=w'],
      ['summer.pdf', '?take=0'],
    ],
    (item, rest) =>
      frame(`folioferry.localhost/view/charts/${item}${rest}`, 'width="700" height="900"', `Chart: ${item}`),
  ),
  each(
    'nodthorn',
    [
      ['https://darkskyweek.localhost/?from=button', '&amp;words=de'],
      ['https://hollinfell.localhost/talks', '&amp;glow=aa3355'],
      ['https://hollinfell.localhost/visit?by=train&day=2', '&amp;at=night'],
      ['https://hollinfell.localhost/', ''],
    ],
    (item, rest) =>
      frame(
        `nodthorn.localhost/share?url=${encodeURIComponent(item)}${rest}`,
        'width="132" height="36" frameborder="0"',
        'Share this page',
      ),
  ),
  each(
    'hoardinglea',
    [
      ['festival-side', ''],
      ['festival-top', '?backdrop=pale'],
      ['shop-corner', '?backdrop=deep&amp;speech=de'],
      ['night-log', '?speech=fr'],
    ],
    (item, rest) => frame(`hoardinglea.localhost/slot/${item}${rest}`, 'width="300" height="250"', 'Advert'),
  ),
  each(
    'fennfeed',
    [
      ['hollinfell', ' data-show="3"'],
      ['darkskyweek', ' data-show="6" data-tone="dark"'],
      ['moor-walks', ' data-rim="#aa3355" data-tone="light"'],
      ['comet-club', ''],
    ],
    (item, rest) =>
      `<div class="fennfeed-stream" data-of="${item}"${rest}></div>\n${script('fennfeed.localhost/embed.js')}`,
  ),
  each(
    'slotsedge',
    [
      ['hollinfell-nights', ''],
      ['domes', ` data-speech="de" data-look='{"shade": "#aa3355", "nights": 3}'`],
      ['guided-walks', ` data-look='{"room": {"hour": "night"}, "nights": 5}'`],
      ['school-visits', ` data-look='{"nights": 2}'`],
    ],
    (item, rest) =>
      `<div class="slotsedge-calendar" data-calendar="${item}"${rest}></div>\n${script('cdn.slotsedge.localhost/booking.js')}`,
  ),
  each(
    'tallywren',
    [
      ['hollinfell', ''],
      ['darkskyweek', '&amp;paper=dark'],
      ['moor-walks', '&amp;tongue=de&amp;paper=white'],
      ['comet-club', '&amp;tongue=fr'],
    ],
    (item, rest) =>
      `<script src="https://count.tallywren.localhost/w.js?site=${item}${rest}"></script>\n<noscript><img src="https://count.tallywren.localhost/hits.gif?site=${item}" alt="Visits" width="88" height="31"></noscript>`,
  ),
  each(
    'popplenook',
    [
      ['friends-of-the-fell', ' data-after="20"'],
      ['winter', ' data-after="5" data-lang="de"'],
      ['open-day', ' data-ribbon="#aa3355"'],
      ['letter', ''],
    ],
    (item, rest) =>
      `${script('js.popplenook.localhost/popup.js')}\n<div class="popplenook-popup" data-campaign="${item}"${rest}></div>`,
  ),
  each(
    'praisecroft',
    [
      ['hollinfell', ' data-most="4"'],
      ['darkskyweek', ' data-most="7" data-page="dark"'],
      ['moor-walks', ' data-stars="#8a5a12" data-page="light"'],
      ['comet-club', ''],
    ],
    (item, rest) =>
      `<div id="pc-wall" class="praisecroft-reviews" data-place="${item}"${rest}></div>\n${script('praisecroft.localhost/reviews.js')}`,
  ),
  each(
    'stallmere',
    [
      ['311', '{ counter: "light" }'],
      ['512', '{ items: 3, till: "#aa3355" }'],
      ['77', '{ counter: "dark", items: 2 }'],
      ['1024', '{}'],
    ],
    stall,
  ),
  each(
    'formwold',
    [
      ['hf-monthly', ''],
      ['hf-weekly', ' data-speak="de"'],
      ['dark-sky', ' data-mail="reader@hollinfell.localhost" data-press="#aa3355"'],
      ['open-day', ' data-speak="fr"'],
    ],
    (item, rest) =>
      `<div class="formwold-letter" data-letter="${item}"${rest}></div>\n${script('formwold.localhost/form.js')}`,
  ),
];
