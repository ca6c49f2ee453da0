/* What the tree builder of HTML knows of nesting, as far as codes need it. */

/** Elements that never hold anything (HTML, section 13.1.2). */
export const voidElements: ReadonlySet<string> = new Set([
  'area',
  'base',
  'br',
  'col',
  'embed',
  'hr',
  'img',
  'input',
  'link',
  'meta',
  'param',
  'source',
  'track',
  'wbr',
]);

/**
 * Elements whose content is text for the tokenizer (HTML, sections 13.1.2 and 13.2.6.4). `noscript` is read
 * as markup, to know its fallback.
 */
export const rawTextElements: ReadonlySet<string> = new Set([
  'script',
  'style',
  'iframe',
  'noembed',
  'noframes',
  'xmp',
  'textarea',
  'title',
]);

/**
 * Tags that only mark regions of a page: a browser ignores or moves them when a code is pasted into a body.
 */
export const pageTags: ReadonlySet<string> = new Set(['html', 'head', 'body']);

/**
 * How deep elements nest before browsers stop putting one into the other (observed; HTML, section 13.2.6.1
 * leaves the limit to them).
 */
export const deepest = 512;

const blocks = new Set(
  'address article aside blockquote center details dialog dir div dl fieldset figcaption figure footer form h1 h2 h3 h4 h5 h6 header hgroup hr main menu nav ol p pre section summary table ul'.split(
    ' ',
  ),
);
const sameGroup: Record<string, ReadonlySet<string>> = {
  li: new Set(['li']),
  dt: new Set(['dt', 'dd']),
  dd: new Set(['dt', 'dd']),
  option: new Set(['option']),
  tr: new Set(['tr', 'td', 'th']),
  td: new Set(['td', 'th']),
  th: new Set(['td', 'th']),
};
const paragraph: ReadonlySet<string> = new Set(['p']);
const walls: Record<string, ReadonlySet<string>> = {
  p: new Set(['button', 'object', 'td', 'th', 'table', 'caption', 'template']),
  li: new Set(['ul', 'ol', 'menu']),
  dt: new Set(['dl']),
  dd: new Set(['dl']),
  option: new Set(['select', 'datalist']),
  tr: new Set(['table']),
  td: new Set(['table']),
  th: new Set(['table']),
};

/**
 * Which open element a start tag closes by itself (HTML, section 13.1.2.4): the index in the stack of open
 * elements of the outermost one, or -1.
 */
export function closedBy(tag: string, open: readonly { name: string }[]): number {
  if (open.length === 0) return -1;
  if (blocks.has(tag)) return lastIndex(open, paragraph, walls['p']!);
  const group = sameGroup[tag];
  return group ? lastIndex(open, group, walls[tag]!) : -1;
}

function lastIndex(
  open: readonly { name: string }[],
  wanted: ReadonlySet<string>,
  stop: ReadonlySet<string>,
): number {
  let found = -1;
  for (let i = open.length - 1; i >= 0 && !stop.has(open[i]!.name); i--)
    if (wanted.has(open[i]!.name)) found = i;
  return found;
}
