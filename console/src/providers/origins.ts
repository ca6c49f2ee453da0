import type { Provider } from '@orbis/contract';

/** Where a sheet comes from, in words. */
export const sheetOrigins: Record<Provider['from'], string> = { 'built-in': 'built in', 'own': 'your own', 'override': 'your own, before the built-in one' };
