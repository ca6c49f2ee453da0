import type { Terms } from '@orbis/contract';

/** The screen on which terms are written. */
export const addressOfTerms = ({ embed, provider }: Pick<Terms, 'embed' | 'provider'>): string =>
  embed === null ? `/providers/${provider}` : `/collection/${embed}`;
