import { codeFromLink, compose, openCode, optionNames, ruleOf, type Code, type Sheet } from '@orbis/core';
import { formatOptions, parseOptions } from '@orbis/contract';
import { demoCodes } from '@orbis/demo';
import { standInCodes } from './stand-in-codes.ts';

/** What a code comes to: each edit as start, end and text, or what stands against it. */
export type Output = [start: number, end: number, text: string][] | string;

/** By code, by what is asked of it. */
export type Outputs = Record<string, Record<string, Output>>;

/* As people would write them; those that only some providers know are taken from the sheets. */
const values: Record<string, readonly string[]> = {
  'start': ['0:12', '1:52'],
  'end': ['3:04'],
  'autoplay': ['on', 'off'],
  'muted': ['on', 'off'],
  'loop': ['on', 'off'],
  'controls': ['off', 'on'],
  'captions': ['on', 'off'],
  'download': ['off', 'on'],
  'language': ['de', 'en-GB'],
  'theme': ['dark', 'light'],
  'accent': ['#2f6145'],
  'privacy': ['on', 'off'],
  'zoom': ['15', '3.5'],
  'centre': ['54.38, -2.12'],
  'page': ['4'],
  'account': ['hollin & fell'],
  'count': ['3'],
  'delay': ['0:45'],
  'prefill': ['reader@hollinfell.localhost'],
  'title': ['The “dome” & <sky>'],
  'width': ['480'],
  'height': ['300'],
  'tracking': ['off'],
  'fit': ['shape'],
  'shape': ['4:3'],
  'share': ['80%'],
  'max-width': ['640'],
  'align': ['centre', 'right'],
};
const byHand = ['parameter.start=7', 'parameter.hue=a b&c'];

const wordsFor = (sheet: Sheet | null): string[] => [
  ...optionNames.flatMap((name) =>
    (name === 'view'
      ? Object.keys(ruleOf<'choice'>(sheet, 'view')?.choices ?? { map: 'map' })
      : (values[name] ?? [])
    ).map((value) => `${name}=${value}`),
  ),
  ...byHand,
];

function output(code: Code, words: readonly string[], marked = false): Output {
  const outcome = compose(
    code,
    parseOptions(words),
    marked ? { mark: { placement: '0123456789', delivery: 7 } } : {},
  );
  if (outcome.problems.length > 0)
    return outcome.problems.map(({ option, code }) => `${option}: ${code}`).join('; ');
  return outcome.edits.map(({ start, end, text }) => [start, end, text]);
}

/**
 * Every code of the demo and of the stand-ins, with every option alone, with all that it can have together,
 * and with a mark.
 */
export function outputsOf(sheets: readonly Sheet[]): Outputs {
  const linked = sheets
    .filter(({ pages }) => !pages)
    .map((sheet) => {
      const url = new URL(
        sheet.files
          ? `https://hollinfell.localhost/files/dome.${sheet.files[0]}`
          : 'https://elsewhere.localhost/',
      );
      return { name: `made for ${sheet.id}`, text: codeFromLink({ sheet, id: 'a1B2', url }) };
    });
  const stands = standInCodes.flatMap(({ provider, codes }) =>
    codes.map(([item, text]) => ({ name: `${provider}: ${item}`, text })),
  );
  return Object.fromEntries(
    [...demoCodes, ...linked, ...stands, ...awkward].map(({ name, text }) => [
      name,
      outputsOfCode(text, sheets),
    ]),
  );
}

/* Most providers offer few of the settings: that they refuse the rest is left out. */
const notOffered = (word: string): string => `${word.slice(0, word.indexOf('='))}: setting-not-offered`;

/* Shapes of code that the demo has none of, and that options have to do with. */
const awkward = [
  {
    name: 'frame in a box',
    text: '<div style="position:relative;padding-bottom:56.25%;height:0"><iframe src="https://play.kinorill.localhost/film/a1B2" style="position:absolute;top:0;left:0;width:100%;height:100%"></iframe></div>',
  },
  {
    name: 'frame with a style',
    text: "<iframe width=640 height=360 style='border:1px solid; max-width: 100%' src=https://play.kinorill.localhost/film/a1B2?from=3&knobs=0#x allow='fullscreen'></iframe>",
  },
  {
    name: 'player with two files',
    text: '<video width="640" height="360" controls><source src="/a.webm#t=3,9"><source src="/a.mp4"></video>',
  },
];

function outputsOfCode(text: string, sheets: readonly Sheet[]): Record<string, Output> {
  const pasted = openCode(text, { sheets });
  const { generated } = pasted.reading;
  const code = generated === null ? pasted : openCode(generated, { sheets });
  const outputs: Record<string, Output> = {};
  const together: string[] = [];
  for (const word of wordsFor(code.sheet)) {
    const alone = output(code, [word]);
    if (alone !== notOffered(word)) outputs[word] = alone;
    const more = [...together, word];
    // Two values of one option are not asked for at once.
    const once = formatOptions(parseOptions(more)).length === more.length;
    if (once && typeof output(code, more) !== 'string') together.push(word);
  }
  outputs[together.join(' ')] = output(code, together);
  outputs['with a mark'] = output(code, together.slice(0, 3), true);
  return outputs;
}
