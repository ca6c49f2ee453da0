import { frame } from './rule-cases.ts';

const player = 'https://play.kinorill.localhost/film/a1';
const other = 'https://e.localhost';

/** For each rule that can be mended: a code, and the code as it is mended. */
export const mendCases: [rule: string, code: string, mended: string][] = [
  ['insecure', frame('http://elsewhere.example/a?b=1'), frame('https://elsewhere.example/a?b=1')],
  [
    'visible-code',
    '&lt;iframe src="https://e.localhost/x" title="t"&gt;&lt;/iframe&gt;',
    '<iframe src="https://e.localhost/x" title="t"></iframe>',
  ],
  [
    'curly-quotes',
    '<iframe src=“https://e.localhost/” title="t"></iframe>',
    '<iframe src="https://e.localhost/" title="t"></iframe>',
  ],
  [
    'cut-off',
    '<iframe src="https://e.localhost/" title="t"></iframe',
    '<iframe src="https://e.localhost/" title="t"></iframe>',
  ],
  [
    'cut-off',
    '<iframe src="https://e.localhost/" title="t">\n',
    '<iframe src="https://e.localhost/" title="t"></iframe>\n',
  ],
  [
    'misspelt',
    '<ifrmae src="https://e.localhost/" title="t"></ifrmae>',
    '<iframe src="https://e.localhost/" title="t"></iframe>',
  ],
  [
    'misspelt',
    '<iframe scr="https://e.localhost/" title="t"></iframe>',
    '<iframe src="https://e.localhost/" title="t"></iframe>',
  ],
  [
    'value-on-presence',
    '<video muted controls="false" autoplay playsinline src="a.mp4"></video>',
    '<video muted autoplay playsinline src="a.mp4"></video>',
  ],
  [
    'not-inline',
    '<video autoplay muted src="a.mp4"></video>',
    '<video playsinline autoplay muted src="a.mp4"></video>',
  ],
  [
    'sound-autoplay',
    '<video autoplay playsinline src="a.mp4"></video>',
    '<video muted autoplay playsinline src="a.mp4"></video>',
  ],
  ['sound-autoplay', frame(`${player}?roll=1`), frame(`${player}?roll=1&amp;hush=1`)],
  ['no-way-to-play', '<audio src="a.mp3"></audio>', '<audio controls src="a.mp3"></audio>'],
  ['no-way-to-play', frame(`${player}?knobs=0`), frame(`${player}?knobs=1`)],
  [
    'file-type',
    '<video controls><source src="a.mp4" type="video/webm"></video>',
    '<video controls><source src="a.mp4" type="video/mp4"></video>',
  ],
  ['link-time', frame(`${player}?at=1m3s&amp;lang=en`), frame(`${player}?lang=en&amp;from=63`)],
  ['second-question-mark', frame(`${other}/x?lang=en?start=3`), frame(`${other}/x?lang=en&amp;start=3`)],
  ['space-in-address', frame(' https://e.localhost/a b\n'), frame('https://e.localhost/a%20b')],
  ['tracking', frame(`${other}/?utm_source=x&amp;a=1`), frame(`${other}/?a=1`)],
  [
    'shape-mismatch',
    frame(player, 'title=t width="640" height="400"'),
    frame(player, 'title=t width="640" height="360"'),
  ],
  [
    'wrong-element',
    '<iframe href="https://e.localhost/" title="t"></iframe>',
    '<iframe src="https://e.localhost/" title="t"></iframe>',
  ],
];
