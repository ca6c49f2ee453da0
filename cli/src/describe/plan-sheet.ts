import { escapeText } from '@orbis/core';
import { spoken, type PagePlan } from '@orbis/contract';
import { whereOf } from './plan.ts';

/* Ink on paper: no colours, and no step torn in two where it fits on a sheet. */
const style = `body { font: 11pt/1.45 serif; max-width: 46rem; margin: 2rem auto; padding: 0 1rem }
h1 { font-size: 17pt }
ol { padding-left: 1.6rem }
li { margin: 0 0 1.2rem; break-inside: avoid-page }
pre { font-size: 9pt; white-space: pre-wrap; overflow-wrap: anywhere; border: 1px solid; padding: 0.6rem }
dl { display: grid; grid-template-columns: max-content 1fr; column-gap: 1rem }
dd { margin: 0 }
.box { float: right; width: 1em; height: 1em; border: 1px solid }`;

/** The steps of a page on a sheet for whoever does the pasting, each with a box to tick: an HTML document. */
export function planSheet(plan: PagePlan): string {
  const { page, block, snippets, steps, findings, editor } = plan;
  const items = steps
    .filter(({ action, ticked }) => action !== 'already-there' && ticked === null)
    .map((step) => {
      const snippet = snippets.find((each) => each.digest === step.digest && each.position === step.position);
      const code = step.text ?? (step.action === 'take-out' ? null : (snippet?.text ?? null));
      const fields = step.fields.map(
        ({ label, value }) => `<dt>${escapeText(label)}</dt><dd>${escapeText(value)}</dd>`,
      );
      return [
        `<li><span class="box"></span><strong>${escapeText(`${spoken.planActions[step.action]} – ${whereOf(plan, step, snippet)}`)}</strong>`,
        ...(code === null ? [] : [`<pre>${escapeText(code.trim())}</pre>`]),
        ...(fields.length === 0 ? [] : [`<dl>${fields.join('')}</dl>`]),
        '</li>',
      ].join('\n');
    });
  const working = [
    block ? `Pasted once. ${spoken.blocks.shownBy(block)}` : '',
    editor.notes,
    spoken.editor.working(editor),
  ].filter((words) => words !== '');
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<title>${escapeText(page)}</title>
<style>${style}</style>
</head>
<body>
<h1>${escapeText(page)}</h1>
${[
  ...working.map((words) => `<p>${escapeText(words)}</p>`),
  items.length === 0 ? '<p>Nothing is to be done on this page.</p>' : `<ol>\n${items.join('\n')}\n</ol>`,
  ...findings.map(({ message, remedy }) => `<p>${escapeText(`${message} ${remedy}`)}</p>`),
].join('\n')}
</body>
</html>
`;
}
