/**
 * A moment as people at a terminal or in a mail read it.
 * @example momentOf(new Date(0)) // '1970-01-01 00:00 UTC'
 */
export const momentOf = (at: Date): string => `${at.toISOString().slice(0, 16).replace('T', ' ')} UTC`;
