/** The words that people read: a file for each language, and what makes sentences of codes and facts. */
export { en } from './en/index.ts';
export { spoken } from './spoken.ts';
export * from './format.ts';
export * from './visitors.ts';
export { whereFound } from './where-found.ts';
export type { Language, NoDelivery, NoHeight, OptionWords, Remains, TroubleCode } from './language.ts';
