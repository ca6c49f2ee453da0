import { innerText, type MarkupElement } from '../text/index.ts';
import { foundIn, type CodeRule } from './rule.ts';
import { reason } from '../reason.ts';

export const rule: CodeRule = {
  id: 'cut-off',
  level: 'error',
  source:
    'HTML, section 13.2.2 (parse errors eof-in-tag, eof-in-comment) and 13.1.2.4 (end tags that may not be left out)',
  code: ({ reading: { input, mending }, markup }) =>
    input === 'code' && markup.openAt !== null
      ? {
          start: markup.openAt,
          end: markup.text.length,
          facts: { open: 'tag' },
          ...(mending?.what === 'open-tag' ? { mend: mending.edits } : {}),
        }
      : null,
  elements: {
    named: [
      'iframe',
      'form',
      'video',
      'audio',
      'script',
      'style',
      'object',
      'svg',
      'noscript',
      'textarea',
      'select',
    ],
    check: (e, { markup, reading: { mending } }) => {
      if (e.endTagStart !== null || markup.openAt !== null || closesItself(markup.text, e)) return null;
      // An end tag that lacks its `>` is text, inside a frame or a script.
      if (mending?.what === 'open-tag') return foundIn(e, { open: e.name }, mending.edits);
      const bare = innerText(markup.text, e).trim() === '';
      const mend = [
        {
          start: e.startTagEnd,
          end: e.startTagEnd,
          text: `</${e.name}>`,
          reason: reason('close-element', { element: e.name }),
        },
      ];
      return foundIn(e, { open: e.name }, bare ? mend : []);
    },
  },
};

/* Only what stands in a drawing may (HTML, section 13.1.2). */
function closesItself(text: string, element: MarkupElement): boolean {
  if (!text.startsWith('/>', element.startTagEnd - 2)) return false;
  for (let at: MarkupElement | null = element; at; at = at.parent)
    if (at.name === 'svg' || at.name === 'math') return true;
  return false;
}
