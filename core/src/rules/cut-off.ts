import { innerText } from '../text/index.ts';
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
      if (e.endTagStart !== null || markup.openAt !== null) return null;
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
