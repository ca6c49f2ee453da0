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

/* The attribute in which an element takes its address. */
const takesIn: Readonly<Record<string, string>> = {
  iframe: 'src',
  script: 'src',
  img: 'src',
  embed: 'src',
  video: 'src',
  audio: 'src',
  source: 'src',
  object: 'data',
  link: 'href',
  form: 'action',
};
const taken = ['src', 'href', 'data', 'action'];
const elsewhere = [...taken, 'url', 'source', 'link'];

/* Where the address of something stands in an attribute that does nothing with it: where, and what would. */
function addressElsewhere(e: MarkupElement): { start: number; end: number; text: string } | null {
  const right = takesIn[e.name];
  if (
    right === undefined ||
    e.attributes.has(right) ||
    ['srcdoc', 'srcset', 'imagesrcset'].some((name) => e.attributes.has(name))
  )
    return null;
  for (const name of elsewhere) {
    const found = e.attributes.get(name);
    if (found && /^\s*(?:https?:)?\/\//i.test(attribute(e, name) ?? ''))
      return { start: found.start, end: found.start + name.length, text: right };
  }
  return null;
}

/* A provider's own element may play sources as well. */
const isPlayer = (parent: MarkupElement | null): boolean =>
  parent !== null && (['video', 'audio', 'picture'].includes(parent.name) || parent.name.includes('-'));

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
        return fault('no-address', [
          {
            ...misplaced,
            reason: reason('address-belongs-in', { element: e.name, attribute: misplaced.text }),
          },
        ]);
      if (
        e.name === 'img' &&
        /\.(?:mp4|webm|mov|m4v|mp3|ogg|m3u8)(?:[?#]|$)/i.test(attribute(e, 'src') ?? '')
      )
        return fault('film-in-picture');
      if (idle.has(e.name)) {
        const src = attribute(e, 'src');
        return src !== null && /^\s*(?:https?:)?\/\//i.test(src) ? fault('no-address') : null;
      }
      if (e.name === 'source') return isPlayer(e.parent) ? null : fault('outside-media');
      // `<src="…">` is an element whose name goes on to the first blank or slash.
      return attributesAsElements.has(e.name) ||
        (e.name.includes('=') && attributesAsElements.has(e.name.split('=')[0]!))
        ? fault('named-as-attribute')
        : null;
    },
  },
};
