/** The key of the site that a page, a spot or a spot of many pages is on, by its own. */
export const siteOf = (key: string): string => key.split(/[/#]/, 1)[0]!;
