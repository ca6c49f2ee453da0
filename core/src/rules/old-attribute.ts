import { foundIn, type CodeRule } from './rule.ts';

/* HTML, section 16.2: non-conforming features. */
const oldElements = new Set([
  'center',
  'font',
  'marquee',
  'blink',
  'frame',
  'frameset',
  'applet',
  'bgsound',
  'big',
  'strike',
  'tt',
  'noembed',
  'xmp',
  'nobr',
  'dir',
  'basefont',
]);
const oldAttributes: Record<string, readonly string[]> = {
  iframe: [
    'frameborder',
    'scrolling',
    'marginwidth',
    'marginheight',
    'align',
    'allowtransparency',
    'longdesc',
    'webkitallowfullscreen',
    'mozallowfullscreen',
    'msallowfullscreen',
    'oallowfullscreen',
    'hspace',
    'vspace',
    'seamless',
    'border',
  ],
  img: ['border', 'align', 'hspace', 'vspace', 'longdesc'],
  script: ['language', 'charset'],
  table: ['border', 'cellpadding', 'cellspacing', 'bgcolor', 'align', 'width'],
  td: ['bgcolor', 'align', 'valign', 'width', 'height'],
  body: ['bgcolor', 'background'],
  object: ['classid', 'codebase', 'align', 'border', 'archive', 'standby'],
  embed: ['align', 'pluginspage'],
  div: ['align'],
  p: ['align'],
};

const oldOf = new Map(Object.entries(oldAttributes).map(([element, names]) => [element, new Set(names)]));

export const rule: CodeRule = {
  id: 'old-attribute',
  level: 'note',
  source: 'HTML, section 16.2 (non-conforming features)',
  elements: {
    named: [...oldElements, ...Object.keys(oldAttributes)],
    check: (e) => {
      if (oldElements.has(e.name)) return foundIn(e, { what: e.name, kind: 'element' });
      const old = oldOf.get(e.name)!;
      const names = e.attributes.names().filter((name) => old.has(name));
      return names.length > 0 ? foundIn(e, { what: names.join(', '), kind: 'attribute' }) : null;
    },
  },
};
