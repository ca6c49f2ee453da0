/** The first few of many, for a sentence: “a, b, c, d, e and 7 more”. */
export const summarize = (keys: readonly string[]): string =>
  keys.length > 5 ? `${keys.slice(0, 5).join(', ')} and ${keys.length - 5} more` : keys.join(', ');
