import { attribute } from '../text/index.ts';
import type { Mend } from '../reading/reading.ts';
import { foundIn, type CodeRule, type Found } from './rule.ts';
import { reason } from '../reason.ts';

const attributesAsElements = new Set([
  'src',
  'href',
  'width',
  'height',
  'allowfullscreen',
  'frameborder',
  'url',
  'address',
]);
/* Elements that stand in the text with an address in `src`, though they do nothing with it. */
const idle = new Set(
  'div span p section article main aside header footer figure figcaption ul ol li center font b i strong em h1 h2 h3 h4 h5 h6 blockquote table tr td a form style noscript'.split(
    ' ',
  ),
);

export const rule: CodeRule = {
  id: 'wrong-element',
  level: 'error',
  source:
    'HTML, index of attributes (which element has which); section 4.8.2 (source only in picture, video and audio)',
  elements: {
    named: 'any',
    check: (e) => {
      const fault = (why: string, mend?: Mend[]): Found =>
        foundIn(e, { element: e.name.split('=')[0]!, why }, mend);
      if (e.name === 'iframe') {
        const href =
          e.attributes.has('src') || e.attributes.has('srcdoc') ? undefined : e.attributes.get('href');
        if (!href) return null;
        const { start } = href;
        return fault('no-address', [
          { start, end: start + 4, text: 'src', reason: reason('address-in-src') },
        ]);
      }
      if (idle.has(e.name)) {
        const src = attribute(e, 'src');
        return src !== null && /^\s*(?:https?:)?\/\//i.test(src) ? fault('no-address') : null;
      }
      if (e.name === 'source')
        return ['video', 'audio', 'picture'].includes(e.parent?.name ?? '') ? null : fault('outside-media');
      // `<src="…">` is an element whose name goes on to the first blank or slash.
      return attributesAsElements.has(e.name) ||
        (e.name.includes('=') && attributesAsElements.has(e.name.split('=')[0]!))
        ? fault('named-as-attribute')
        : null;
    },
  },
};
