import { readdirSync, readFileSync } from 'node:fs';
import { performance } from 'node:perf_hooks';
import { expect } from 'chai';
import ts from 'typescript';
import { openCode, compose, parseStyle, read, scanPage } from '@orbis/core';
import { sheets } from './corpus.ts';

/**
 * What cannot be told from the source alone: expressions that are put together of what is only known later,
 * each with the worst that it can become.
 */
const putTogether: Record<string, RegExp[]> = {
  // A character before, at the end of at most six.
  'text/address.ts': [/(?:&amp;|&#38;|&#x26;|&|\?)$/i],
  'sheets/match.ts': [/^\/podcast\/[^/]+?\/([^/]+?)(?:\/skin-[^/]+?)?$/],
  'sheets/item.ts': [/^https:\/\/a\.localhost\/(.+?)\/x$/s],
};

interface Expression {
  file: string;
  pattern: RegExp;
}

/**
 * Every regular expression of core, contract and service: literals, and those made with
 * `new RegExp` of constants.
 */
function expressions(): { all: Expression[]; unknown: string[] } {
  const all: Expression[] = [];
  const unknown: string[] = [];
  for (const folder of ['../src/', '../../contract/src/', '../../service/src/']) {
    const base = new URL(folder, import.meta.url);
    for (const file of readdirSync(base, { recursive: true, encoding: 'utf8' }).filter((name) =>
      name.endsWith('.ts'),
    )) {
      const source = ts.createSourceFile(
        file,
        readFileSync(new URL(file, base), 'utf8'),
        ts.ScriptTarget.ES2023,
      );
      const constants = constantsOf(source);
      const visit = (node: ts.Node): void => {
        if (ts.isRegularExpressionLiteral(node)) {
          const [, body = '', flags = ''] = /^\/(.*)\/([a-z]*)$/s.exec(node.text)!;
          all.push({ file, pattern: new RegExp(body, flags.replace('g', '').replace('y', '')) });
        }
        if (
          (ts.isNewExpression(node) || ts.isCallExpression(node)) &&
          ts.isIdentifier(node.expression) &&
          node.expression.text === 'RegExp'
        ) {
          const [body, flags] = (node.arguments ?? []).map((argument) => textOf(argument, constants));
          if (typeof body === 'string')
            all.push({
              file,
              pattern: new RegExp(body, typeof flags === 'string' ? flags.replace('g', '') : ''),
            });
          else unknown.push(file);
        }
        ts.forEachChild(node, visit);
      };
      visit(source);
    }
  }
  return { all, unknown };
}

/* The texts that a file gives names to. */
function constantsOf(source: ts.SourceFile): Map<string, string> {
  const constants = new Map<string, string>();
  for (const statement of source.statements) {
    if (!ts.isVariableStatement(statement)) continue;
    for (const { name, initializer } of statement.declarationList.declarations) {
      const text = initializer && textOf(initializer, constants);
      if (ts.isIdentifier(name) && typeof text === 'string') constants.set(name.text, text);
    }
  }
  return constants;
}

/* The text that an expression comes to, where it is made of texts and names of texts; else null. */
function textOf(node: ts.Expression, constants: ReadonlyMap<string, string>): string | null {
  if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) return node.text;
  if (ts.isIdentifier(node)) return constants.get(node.text) ?? null;
  if (!ts.isTemplateExpression(node)) return null;
  const parts = node.templateSpans.map(
    (span) => [textOf(span.expression, constants), span.literal.text] as const,
  );
  return parts.some(([text]) => text === null)
    ? null
    : node.head.text + parts.map(([text, literal]) => text! + literal).join('');
}

const pathPieces = new Set(['a', 'a/', '-', '%']);
const pieces = [
  'a',
  ' ',
  '<',
  '<p ',
  '<p<',
  '&',
  '&amp;',
  '=',
  '1',
  '1:',
  '-',
  '.',
  'a.',
  'a-',
  '"',
  '\n',
  ';',
  '<!--',
  'data-orbis="',
  '/',
  'a/',
  '=a',
  '0.',
  'https://',
  '#',
  '%',
];
const fastest = (work: () => unknown): number => {
  let best = Infinity;
  for (let i = 0; i < 3; i++) {
    const begun = performance.now();
    work();
    best = Math.min(best, performance.now() - begun);
  }
  return best;
};

/* Ten times the text may take some ten times as long; what grows with the square takes a hundred times. Below
   2 ms nothing is told. */
function expectLinear(label: string, work: (text: string) => unknown, make: (times: number) => string): void {
  let best = { small: 0, large: Infinity, ratio: Infinity };
  // What else the machine does comes and goes; what grows with the square does so each time.
  for (let attempt = 0; attempt < 3 && best.ratio >= 45; attempt++) {
    const small = fastest(() => work(make(2_000)));
    const large = fastest(() => work(make(20_000)));
    if (large < 2) return;
    const ratio = large / Math.max(small, 0.04);
    if (ratio < best.ratio) best = { small, large, ratio };
  }
  expect(best.ratio, `${label}: ${best.small.toFixed(2)} ms, then ${best.large.toFixed(2)} ms`).to.be.below(
    45,
  );
}

describe('hostile text', () => {
  it('makes no regular expression slow', () => {
    const { all: written, unknown } = expressions();
    expect([...new Set(unknown)].sort(), 'put together of what is only known later').to.deep.equal(
      Object.keys(putTogether).sort(),
    );
    expect(
      written.some(({ file, pattern }) => file === 'key-patterns.ts' && pattern.source.includes('#')),
    ).to.equal(true);
    const all = [
      ...written,
      ...Object.entries(putTogether).flatMap(([file, patterns]) =>
        patterns.map((pattern) => ({ file, pattern })),
      ),
    ];
    expect(all.length).to.be.greaterThan(100);
    const slow: string[] = [];
    for (const { file, pattern } of all) {
      for (const piece of pieces) {
        for (const [begin, end] of [
          ['', ''],
          ['', '\u0000'],
          // As the path of a page.
          ...(pathPieces.has(piece) ? [['h/', '?'] as const] : []),
        ] as const) {
          try {
            expectLinear(
              `${file} ${String(pattern)} on ${JSON.stringify(piece)}`,
              (text) => pattern.test(text),
              (times) => begin + piece.repeat(times) + end,
            );
          } catch (error) {
            slow.push(String(error));
          }
        }
      }
    }
    expect(slow).to.deep.equal([]);
  });

  it('of styles is read to its end whatever was read before: a parser that texts share would stand still', () => {
    const inside = (text: string): string => `<style>${text}</style>`;
    for (const times of [5, 8, 9, 10, 11, 12, 13, 14, 15, 20, 40, 128, 300, 5000])
      for (const text of ['('.repeat(times), '{'.repeat(times), 'a{'.repeat(times / 2)]) {
        parseStyle(text);
        read(inside(text), { sheets });
      }
    for (const before of ['', ' '.repeat(200), 'a'.repeat(128 - 13), 'a'.repeat(256 - 13)])
      expect(parseStyle(`${before}argb(1,2,3)}(`)).to.deep.equal([]);
    expect(read(inside('argb(1,2,3)}('), { sheets }).parts.map(({ role }) => role)).to.deep.equal(['style']);
  });

  for (const piece of [
    '<',
    '<a ',
    '&',
    '<iframe src="',
    '<p ',
    "<iframe src='https://play.kinorill.localhost/film/a?from=1&",
    '<b></b>',
    '<script>',
    '<!--',
    '<img src=x>',
    '&lt;p&gt;',
    '<a href=x>y</a>',
    '<div id=x></div>',
    '{{',
    '\u{1F30C}',
  ]) {
    it(`is read in proportion to its length: ${piece}`, () =>
      expectLinear(
        piece,
        (text) => read(text, { sheets }),
        (times) => piece.repeat(times),
      ));
  }

  it('is planned and swept in proportion to its length', () => {
    const style = (times: number): string =>
      `<iframe src="https://play.kinorill.localhost/film/a?${'a=1&amp;'.repeat(times / 4)}" style="${'color:red;'.repeat(times / 10)}"></iframe>`;
    expectLinear(
      'plan',
      (text) =>
        compose(
          openCode(text, { sheets }),
          { start: 1, loop: true, fit: 'shape' },
          { mark: { placement: '0123456789', delivery: 1 } },
        ),
      style,
    );
    expectLinear('scanPage', scanPage, (times) =>
      '<p>x<b data-orbis="0123456789.1"></b></p>'.repeat(times / 10),
    );
  });
});
