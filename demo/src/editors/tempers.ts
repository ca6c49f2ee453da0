import sanitizeHtml from 'sanitize-html';
import { escapeHtml } from '../html.ts';
import { linked } from './link-editor.ts';

/** What a page editor makes of what is put into one of its fields. */
export interface Temper {
  /** What its field says to whoever pastes. */
  says: string;
  /** The markup that visitors get. */
  publish(code: string): string | Promise<string>;
  /** Minutes until what was published can be seen. */
  delay: number;
}

/* Words, and frames as they come. */
const framesAlone: Temper = {
  says: 'Text, links and frames',
  publish: (code) =>
    sanitizeHtml(code, {
      allowedTags: ['p', 'a', 'b', 'i', 'em', 'strong', 'br', 'iframe'],
      allowedAttributes: {
        a: ['href'],
        iframe: [
          ...['src', 'srcdoc', 'title', 'width', 'height', 'style', 'sandbox', 'allow', 'allowfullscreen'],
          ...['loading', 'data-*'],
        ],
      },
      allowedSchemes: ['http', 'https', 'mailto'],
    }),
  delay: 0,
};

/* Every element, and of its attributes the address alone. */
const addressesAlone: Temper = {
  says: 'HTML',
  publish: (code) =>
    sanitizeHtml(code, {
      allowedTags: false,
      allowVulnerableTags: true,
      allowedAttributes: { '*': ['src'] },
      allowedSchemes: ['http', 'https', 'data'],
    }),
  delay: 0,
};

/** The line without which this editor takes everything for text. */
export const markerLine = '[[code]]';

/* Everything behind its line; without it all is text. */
const withMarker: Temper = {
  says: `Text. Code after a line with ${markerLine}. Live after two minutes; codes are not shown before.`,
  publish: (code) => {
    const [first = '', ...rest] = code.trimStart().split('\n');
    return first.trim() === markerLine ? rest.join('\n') : `<p>${escapeHtml(code)}</p>`;
  },
  delay: 2,
};

/* Lines, each of them a link or text. */
const linksAlone: Temper = {
  says: 'Text, or a link in a line of its own',
  publish: async (code) => (await Promise.all(code.split('\n').map(linked))).join('\n'),
  delay: 0,
};

/** Editors of different temper; that of the observatory itself lets everything through. */
export const tempers = { framesAlone, addressesAlone, withMarker, linksAlone } as const;
