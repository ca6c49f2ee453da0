import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { read } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import { line } from './figures.ts';

const mebi = 1_048_576;

/**
 * Texts that are made to be costly, each up to a length: repeated pieces within the limits of what is read.
 */
const hostile: [label: string, make: (length: number) => string][] = [
  ['“<” and nothing else', (n) => '<'.repeat(n)],
  ['open tags that never end', (n) => '<a '.repeat(n / 3)],
  ['comments that never end', (n) => '<!--'.repeat(n / 4)],
  [
    'nesting up to the limit',
    (n) => `${'<div>'.repeat(500)}${'</div>'.repeat(500)}`.repeat(Math.max(1, n / 5_500)),
  ],
  [
    'one long attribute',
    (n) => `<iframe src="https://a.localhost/?${'a=1&amp;'.repeat((n - 50) / 8)}"></iframe>`,
  ],
  ['one long value without quotes', (n) => `<iframe src=${'x'.repeat(n - 30)}></iframe>`],
  ['a title with entities', (n) => `<iframe title="${'&lt;&gt;'.repeat((n - 30) / 8)}"></iframe>`],
  [
    'ten thousand attributes',
    (n) =>
      `<b ${Array.from({ length: Math.min(9_999, n / 10) }, (_, i) => `a${i}=1`).join(' ')}></b>`.repeat(
        Math.max(1, n / 85_000),
      ),
  ],
  ['many small frames', (n) => '<iframe src=//a.localhost/x></iframe>'.repeat(n / 38)],
  ['many forms', (n) => '<form><input name=a></form>'.repeat(n / 27)],
  ['many ids', (n) => Array.from({ length: n / 18 }, (_, i) => `<p id=i${i}></p>`).join('')],
  [
    'many mounts and a script',
    (n) => `${'<div data-a=1></div>'.repeat((n - 50) / 20)}<script src=//a.localhost/x.js></script>`,
  ],
  ['many inline scripts', (n) => '<script>a.push(1)</script>'.repeat(n / 26)],
  ['one long script', (n) => `<script>${'var a=1;'.repeat((n - 20) / 8)}</script>`],
  ['a script of brackets', (n) => `<script>${'['.repeat(n - 20)}</script>`],
  ['a script of pieces joined', (n) => `<script>x=${'"a"+'.repeat((n - 30) / 4)}"b"</script>`],
  ['many style rules', (n) => `<style>${'a{b:c}'.repeat((n - 20) / 6)}</style>`],
  ['broken style rules', (n) => `<style>${'a{b:('.repeat((n - 20) / 5)}</style>`],
  ['one long style attribute', (n) => `<p style="${'color:red;'.repeat((n - 20) / 10)}"></p>`],
  ['code as text, three times over', (n) => '&amp;amp;lt;p&amp;amp;gt;'.repeat(n / 25)],
  ['typographic quotes', (n) => '<a x=“y”>'.repeat(n / 9)],
  ['pictures in sizes', (n) => `<img srcset="${'a.png 1x,'.repeat((n - 30) / 9)}">`],
  ['braces', (n) => `<b a="${'{{'.repeat((n - 20) / 2)}"></b>`],
  ['blanks', (n) => `<b a="${' '.repeat(n - 20)}"></b>`],
  ['links, one a line', (n) => 'https://a.localhost/x\n'.repeat(n / 22)],
  ['documents in frames', (n) => `<iframe srcdoc="${'<p>x</p>'.repeat((n - 30) / 8)}"></iframe>`],
];

// What the texts before have left behind shall not be counted here.
setFlagsFromString('--expose-gc');
const collectGarbage = runInNewContext('gc') as () => void;

const fastest = (work: () => void): number => {
  let best = Infinity;
  for (let i = 0; i < 5; i++) {
    collectGarbage();
    const from = performance.now();
    work();
    best = Math.min(best, performance.now() - from);
  }
  return best;
};

/** How the cost of a reading grows with its text: a tenth of the limit against the whole of it. */
export function growth(): string {
  const sheets = builtInSheets();
  const rows = hostile.map(([label, make]) => {
    const [small, large] = [make(mebi / 10), make(mebi)].map((text) => ({
      length: text.length,
      ms: fastest(() => void read(text, { sheets })),
    })) as [{ length: number; ms: number }, { length: number; ms: number }];
    return { label, small, large, times: large.ms / small.ms / (large.length / small.length / 10) };
  });
  const worst = rows.reduce((a, b) => (a.times > b.times ? a : b));
  const slowest = rows.reduce((a, b) => (a.large.ms > b.large.ms ? a : b));
  return [
    'Hostile texts, a tenth of a MiB against a whole one (in ms, the fastest of five)\n',
    line('text', '0.1 MiB', '1 MiB', 'times'),
    ...rows.map(({ label, small, large, times }) =>
      line(label, small.ms.toFixed(1), large.ms.toFixed(1), times.toFixed(1)),
    ),
    `\nTen times the text takes at most ${worst.times.toFixed(1)} times the time (${worst.label}); the slowest MiB takes ${slowest.large.ms.toFixed(0)} ms (${slowest.label}).\n`,
  ].join('');
}
