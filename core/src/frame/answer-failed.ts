import { contribution, problem, type Option } from '../options/option.ts';
import { textType } from '../options/types/text.ts';

export const option: Option<string> = {
  name: 'answer-failed',
  stage: 'isolation',
  type: textType({ length: 300 }),
  kinds: 'any',
  example: 'Please call us instead',
  source: 'HTML, section 3.2.6.6 (data attributes)',
  isOffered: (_, reading) => reading === null || reading.parts.some(({ role }) => role === 'form'),
  current: () => null,
  // They go with the form, by the option that asks for words.
  contribute: (_, __, { options }) =>
    options['answer'] === 'words' ? contribution([]) : problem('words-need-answer'),
};
