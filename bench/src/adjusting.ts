import { compose, openCode, read, type Options } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import { line, timeBoth } from './figures.ts';

const player = (id: number): string =>
  `<iframe width="560" height="315" src="https://play.kinorill.localhost/film/${id}?knobs=1&amp;from=3" title="Talk ${id}" allow="fullscreen" allowfullscreen></iframe>`;
const map = (id: number): string =>
  `<iframe src="https://mapmere.localhost/embed/map?lat=54.${id}&lng=-2.1&zoom=13" width="640" height="480" title="Map ${id}"></iframe>`;
const asked: [string, (id: number) => string, Options, (params: URLSearchParams) => void][] = [
  [
    'a clip of a video, without buttons',
    player,
    { start: 112, end: 184, autoplay: true, controls: false },
    (params) => {
      for (const [name, value] of Object.entries({
        from: '112',
        until: '184',
        roll: '1',
        hush: '1',
        knobs: '0',
      }))
        params.set(name, value);
    },
  ],
  [
    'a map, closer in',
    map,
    { centre: { latitude: 54.3804, longitude: -2.1215 }, zoom: 15, accent: '#aa3355' },
    (params) => {
      for (const [name, value] of Object.entries({
        lat: '54.3804',
        lng: '-2.1215',
        zoom: '15',
        pin: 'aa3355',
      }))
        params.set(name, value);
    },
  ],
];

/**
 * How many codes a second are adjusted: read, edited and written, against reading alone and against changing
 * the bare address.
 */
export function adjusting(): string {
  const context = { sheets: builtInSheets() };
  const rows = asked.map(([label, make, options, change]) => {
    const texts = Array.from({ length: 50 }, (_, id) => make(id));
    const addresses = texts.map((text) => /src="([^"]*)"/.exec(text)![1]!.replaceAll('&amp;', '&'));
    const read_ = (): void => texts.forEach((text) => void read(text, context));
    const full = (): void =>
      texts.forEach((text) => {
        const { problems } = compose(openCode(text, context), options);
        if (problems.length > 0) throw new Error(problems[0]!.code);
      });
    const bare = (): void =>
      addresses.forEach((address) => {
        const url = new URL(address);
        change(url.searchParams);
        void url.href;
      });
    const reading = timeBoth(read_, full, 15, 10);
    const address = timeBoth(bare, full, 15, 10);
    const perSecond = (50 / reading.full) * 1e6;
    return line(
      label,
      Math.round(perSecond).toLocaleString('en'),
      (reading.full / reading.bare).toFixed(2),
      (address.full / address.bare).toFixed(2),
    );
  });
  return [
    'Adjusting a code: read, edit, write (medians)\n',
    line('options', 'codes/s', '× reading', '× URL'),
    ...rows,
  ].join('');
}
