import { attribute } from '../text/index.ts';
import type { CodeRule } from './rule.ts';

const attributesAsElements = new Set(['src', 'href', 'width', 'height', 'allowfullscreen', 'frameborder', 'url', 'address']);
/* Elements that stand in the text with an address in `src`, though they do nothing with it. */
const idle = new Set(
  'div span p section article main aside header footer figure figcaption ul ol li center font b i strong em h1 h2 h3 h4 h5 h6 blockquote table tr td a form style noscript'.split(
    ' ',
  ),
);

export const rule: CodeRule = {
  id: 'wrong-element',
  level: 'error',
  source: 'HTML, index of attributes (which element has which); section 4.8.2 (source only in picture, video and audio)',
  check: ({ reading, markup }) =>
    reading.input !== 'code'
      ? []
      : markup.elements.flatMap((element) => {
          const place = { start: element.start, end: element.startTagEnd };
          // `<src="…">` is an element whose name goes on to the first blank or slash.
          const name = element.name.split('=')[0]!;
          if (attributesAsElements.has(name)) return [{ ...place, facts: { element: name, why: 'named-as-attribute' } }];
          if (idle.has(element.name) && /^\s*(?:https?:)?\/\//i.test(attribute(element, 'src') ?? '')) return [{ ...place, facts: { element: element.name, why: 'no-address' } }];
          if (element.name === 'source' && !['video', 'audio', 'picture'].includes(element.parent?.name ?? ''))
            return [{ ...place, facts: { element: 'source', why: 'outside-media' } }];
          if (element.name === 'iframe' && !element.attributes.has('src') && !element.attributes.has('srcdoc') && element.attributes.has('href'))
            return [{ ...place, facts: { element: 'iframe', why: 'no-address' } }];
          return [];
        }),
};
