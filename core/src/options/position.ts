/** Where on a page or a site something is pasted, in the order of the page. */
export const positions = ['site-head', 'page-head', 'body-start', 'spot', 'body-end'] as const;
export type SnippetPosition = (typeof positions)[number];
