import { escapeAttribute, escapeText } from '../text/index.ts';
import { pastedIn, reporterTag } from '../visitors/index.ts';

/** Where visitors find what a framed code shows. */
export interface FramedContent {
  address: string;
  provider: string;
  /** Whether its frame lets a link open a tab. */
  inTab: boolean;
}

export interface FrameDocumentOptions {
  /** Of the page around it (BCP 47). */
  language: string;
  /** What screen readers say of the frame. */
  title: string;
  /** Whether what it shows is as high as the frame; else the frame is to be as high as what it shows. */
  fills: boolean;
  /** Whether a link in it opens a new tab where it does not say so itself; forms would do the same. */
  linksOpenTabs: boolean;
  /** What is shown at its provider as well: a link to it stands where no script runs. */
  content?: FramedContent | null;
  /** The site’s own style for what is in its frames (CSS), with nothing in it that would end the element. */
  style?: string;
  /** Markup for its head. */
  head?: string;
}

/* Its own edges are those of the frame, and what stands in it keeps its margins to itself. */
const always = 'body{margin:0;font:16px/1.5 sans-serif}';
const filled = 'html,body{height:100%}body{overflow:hidden}';
/* It never scrolls up and down: the frame grows. */
const grown = 'html{overflow-y:hidden}body{display:flow-root}';

/**
 * The document that holds a code in a frame of its own (HTML, section 4.8.5). With content that has a height
 * of its own it tells the page around it how high that is.
 */
export function frameDocument(
  text: string,
  { language, title, fills, linksOpenTabs, content, style = '', head = '' }: FrameDocumentOptions,
): string {
  const own = style === '' ? '' : `\n<style>${inOneLine(style)}</style>`;
  return `<!doctype html>
<html lang="${escapeAttribute(language)}">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">${linksOpenTabs ? '<base target="_blank">' : ''}<title>${escapeText(title)}</title>${head}
<style>${always}${fills ? filled : grown}</style>${own}</head>
<body>
${text}
${unlessScripts({ content, language })}${fills ? '' : `${reporterTag}\n`}</body>
</html>
`;
}

/* Where nothing runs, nothing may be shown (HTML, section 4.12.2). */
function unlessScripts({ content, language }: Pick<FrameDocumentOptions, 'content' | 'language'>): string {
  if (!content) return '';
  const { instead, open } = pastedIn(language);
  const target = content.inTab ? ' target="_blank"' : '';
  return `<noscript><p>${escapeText(instead)} <a href="${escapeAttribute(content.address)}"${target} rel="noopener">${escapeText(open(content.provider))}</a></p></noscript>\n`;
}

/* Editors may take a line for more than it is. */
const inOneLine = (style: string): string =>
  style
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean)
    .join(' ');
