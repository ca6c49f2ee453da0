import type { Options } from '../../options/values.ts';
import { escapeAttribute, escapeText } from '../../text/index.ts';

/** A link; on a panel of ours it has the colour of the words there, as the usual one may not be readable. */
export const link = (address: string, words: string, options: Options): string =>
  `<a href="${escapeAttribute(address)}"${options['backdrop'] === undefined ? '' : ' style="color:inherit"'}>${escapeText(words)}</a>`;
