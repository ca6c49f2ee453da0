// As it is developed, the worker is TypeScript, which a new thread is to be taught first. What is built does without this.
import { register } from 'tsx/esm/api';

register();
export const {
  readTexts,
  summariseTexts,
  mendTexts,
  harvestPage,
  reconcilePage,
  learnFrom,
  linkedPage,
  oembedAnswer,
  workOut,
  workOutPage,
  fileFacts,
  robots,
  sheetFile,
  providerList,
  compare,
} = await import('./worker.ts');
