import type { Option } from '../options/option.ts';
import { option as contacts } from './contacts.ts';
import { option as frame } from './frame.ts';
import { option as frameFile } from './frame-file.ts';
import { powerOption } from './power-option.ts';
import { powers } from './powers.ts';

/** Every option of isolation, in the order in which people are shown them. */
export const isolation: readonly Option[] = [frame, frameFile, contacts, ...powers.map(powerOption)];
