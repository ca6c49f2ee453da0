import type { Language } from '../language.ts';

/** Where the provider of an embed keeps what belongs to it. */
export const kept = {
  settings: (provider) => `How it is set, at ${provider}`,
  choices: (provider) => `What visitors chose, at ${provider}`,
  answers: (provider) => `What visitors sent, at ${provider}`,
  counts: (provider) => `How often it was seen, at ${provider}`,
  instant: 'What you change there shows on your pages by itself: nothing is to be pasted anew.',
} satisfies Language['kept'];
