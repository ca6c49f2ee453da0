import { attribute, type MarkupElement } from '../text/index.ts';
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

/* The name of the attribute that has the address of something that takes it in `src`. */
function addressElsewhere(e: MarkupElement): { start: number; end: number } | null {
  if (!inSrc.has(e.name) || e.attributes.has('src') || e.attributes.has('srcdoc')) return null;
  for (const name of ['href', 'url', 'source', 'link']) {
    const found = e.attributes.get(name);
    if (found && /^\s*(?:https?:)?\/\//i.test(attribute(e, name) ?? ''))
      return { start: found.start, end: found.start + name.length };
  }
  return null;
}
const inSrc = new Set(['iframe', 'script', 'img', 'embed']);

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
      const misplaced = addressElsewhere(e);
      if (misplaced)
        return fault('no-address', [{ ...misplaced, text: 'src', reason: reason('address-in-src') }]);
      if (
        e.name === 'img' &&
        /\.(?:mp4|webm|mov|m4v|mp3|ogg|m3u8)(?:[?#]|$)/i.test(attribute(e, 'src') ?? '')
      )
        return fault('film-in-picture');
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
