import { contribution, problem, type Option } from '../options/option.ts';
import { textType } from '../options/types/text.ts';

/** A sentence of the owner’s own in the place of what a provider answers. */
const answerSentence = (name: string, example: string): Option<string> => ({
  name,
  stage: 'isolation',
  type: textType({ length: 300 }),
  kinds: 'any',
  example,
  source: 'HTML, section 3.2.6.6 (data attributes)',
  isOffered: (_, reading) => reading === null || reading.parts.some(({ role }) => role === 'form'),
  current: () => null,
  // It goes with the form, by the option that asks for words.
  contribute: (_, __, { options }) =>
    options['answer'] === 'words' ? contribution([]) : problem('words-need-answer'),
});

/** When a form was sent, and when it could not be. */
export const answerSentences: readonly Option[] = [
  answerSentence('answer-words', 'Thank you, your place is booked'),
  answerSentence('answer-failed', 'Please call us instead'),
];
