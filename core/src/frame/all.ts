import type { Option } from '../options/option.ts';
import { option as answer } from './answer.ts';
import { answerSentences } from './answer-sentence.ts';
import { option as contacts } from './contacts.ts';
import { option as frame } from './frame.ts';
import { option as frameFile } from './frame-file.ts';
import { powerOption } from './power-option.ts';
import { powers } from './powers.ts';
import { option as siteStyle } from './site-style.ts';

/** Every option of isolation, in the order in which people are shown them. */
export const isolation: readonly Option[] = [
  frame,
  frameFile,
  answer,
  ...answerSentences,
  siteStyle,
  contacts,
  ...powers.map(powerOption),
];
