/** What owners have agreed upon with providers: limits, prices, licences, ends. */
export * from './parse-price.ts';
export * from './terms.ts';
export * from './terms-findings.ts';
