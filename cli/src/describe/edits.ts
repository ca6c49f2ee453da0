import { scriptsInShort } from '@orbis/core';
import type { Edit } from '@orbis/contract';
import type { Tools } from '../command.ts';
import { fold } from '../text.ts';

/** What is put into a code, each with its reason; nothing where nothing is. */
export const editLines = (edits: readonly Edit[], { colours, io }: Pick<Tools, 'colours' | 'io'>): string =>
  edits
    .map(
      ({ text, reason }) =>
        `${colours.green('+')} ${scriptsInShort(text).trim() || '(taken out)'}\n${fold(reason, io.width, '  ')}`,
    )
    .join('');
