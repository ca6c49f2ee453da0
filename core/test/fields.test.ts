import { expect } from 'chai';
import {
  loadScript,
  neutralMark,
  openCode,
  openEditor,
  planPage,
  snippetText,
  type EditorRules,
  type Options,
  type PlannedPlacement,
} from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';

const sheets = builtInSheets();
const digest = (text: string): string => text;
const film = '<iframe src="https://play.kinorill.localhost/film/a1" width="560" height="315"></iframe>';
const styled = '<style>.a-box{color:red}</style><div class="a-box">x</div>';

const put = (texts: string[], asked: Options = {}): PlannedPlacement[] =>
  texts.map((text, i) => ({
    id: `000000000${i}`,
    place: `x/p#${'abc'[i]}`,
    code: openCode(text, { sheets }),
    asked: { embed: asked },
    mark: neutralMark,
  }));
const planned = (
  texts: string[],
  rules: Partial<EditorRules>,
  { asked = {}, head = false }: { asked?: Options; head?: boolean } = {},
): string[] =>
  planPage(put(texts, asked), { head, editor: { ...openEditor, ...rules } }, digest)
    .snippets.filter(({ position }) => position !== 'spot')
    .map((snippet) => `${snippet.position} ${snippetText(snippet)}`);

describe('an editor with fields for bare rules and scripts', () => {
  const onPhones: Options = { 'max-width': 600, 'max-width.phone': 300 };

  it('has in the one for style what holds on some screens only, without its element', () => {
    const [rules, ...others] = planned([film], { styleField: true }, { asked: onPhones });
    expect(rules).to.match(/^page-style @media [^<]*\{\.orbis-0000000000\{max-width:300px[^<]*\}\}$/);
    expect(others).to.deep.equal([]);
  });

  it('has it in the head of the page all the same, where there is a way into it', () => {
    const [rules] = planned([film], { styleField: true }, { asked: onPhones, head: true });
    expect(rules).to.match(/^page-head <style>@media/);
  });

  it('has in the one for scripts the script that shows what waits, once, and nothing of it at the places', () => {
    const plan = planPage(
      put([film, film], { load: 'click' }),
      { head: false, editor: { ...openEditor, scriptField: true } },
      digest,
    );
    const scripts = plan.snippets.filter(({ position }) => position === 'page-script').map(snippetText);
    expect(scripts).to.deep.equal([loadScript]);
    for (const snippet of plan.snippets.filter(({ position }) => position === 'spot'))
      expect(snippetText(snippet)).not.to.contain('<script');
    expect(plan.steps.map(({ position }) => position)).to.deep.equal(['page-script', 'spot', 'spot']);
  });

  it('takes rules of codes as well, each once, and no element with attributes', () => {
    expect(planned([styled, styled], { styleField: true })).to.deep.equal(['page-style .a-box{color:red}']);
    expect(planned([styled], { scriptField: true })).to.deep.equal([]);
    const loaded = '<script async src="https://a.localhost/a.js"></script><div class="a-box">x</div>';
    expect(planned([loaded], { scriptField: true })).to.deep.equal([]);
  });

  it('has no script where the head of the whole site has it', () => {
    const { snippets } = planPage(
      put([film], { load: 'click' }),
      {
        head: false,
        editor: { ...openEditor, scriptField: true },
        siteHead: { kept: [`<script>${loadScript}</script>`], stands: [] },
      },
      digest,
    );
    expect(snippets.map(({ position }) => position)).to.deep.equal(['site-head', 'spot']);
  });

  it('has every character of what it takes traced to its source, or to why it went', () => {
    const { snippets } = planPage(
      put([styled]),
      { head: false, editor: { ...openEditor, styleField: true } },
      digest,
    );
    const runs = snippets.find(({ position }) => position === 'page-style')!.runs;
    expect(runs.map((run) => (run.from === 'source' ? run.text : run.reasons[0]!.code))).to.deep.equal([
      'bare-field',
      '.a-box{color:red}',
      'bare-field',
    ]);
  });
});
