/**
 * Where something is put, in the order of the work: into a file of its own, which its frame then finds there;
 * and on a page or a site, in the order of the page. Two are fields of an editor, which take style rules or a
 * script without the element around them.
 */
export const positions = [
  'file',
  'site-head',
  'page-head',
  'page-style',
  'page-script',
  'body-start',
  'spot',
  'body-end',
] as const;
export type SnippetPosition = (typeof positions)[number];
