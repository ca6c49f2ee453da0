/**
 * In goes a whole page, out come the embeds among its ordinary content, each as a code to collect, and what
 * is wrong between them.
 */
export { harvest, type HarvestContext } from './harvest.ts';
export { pageRules, type PageRule } from './rules/index.ts';
export type { HarvestedEmbed, PageFact, PageHarvest } from './page.ts';
