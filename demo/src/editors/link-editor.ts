import sanitizeHtml from 'sanitize-html';
import { escapeHtml } from '../html.ts';
import { loopbackFetch } from '../loopback.ts';

const fetch = loopbackFetch();

/**
 * What an editor that takes links makes of a line: of a link whose page says who answers about it, the frame
 * that the answer brings (oEmbed 1.0, section 4); of every other link a link; of the rest words.
 */
export async function linked(line: string): Promise<string> {
  const text = line.trim();
  if (!/^https?:\/\/\S+$/.test(text)) return text === '' ? '' : `<p>${escapeHtml(text)}</p>`;
  const html = await answerAbout(text);
  return html ?? `<p><a href="${escapeHtml(text)}">${escapeHtml(text)}</a></p>`;
}

/* The frame alone, whatever else the answer has in it; null where nobody answers. */
async function answerAbout(link: string): Promise<string | null> {
  try {
    const page = await fetch(link);
    const [, question] =
      /<link[^>]*type="application\/json\+oembed"[^>]*href="([^"]*)"/.exec(await page.text()) ?? [];
    if (question === undefined) return null;
    const answer = await fetch(question.replaceAll('&amp;', '&'));
    const { html } = (await answer.json()) as { html?: unknown };
    if (typeof html !== 'string') return null;
    const frame = sanitizeHtml(html, {
      allowedTags: ['iframe'],
      allowedAttributes: { iframe: ['src', 'width', 'height', 'title', 'allow'] },
    });
    return frame === '' ? null : frame;
  } catch {
    return null;
  }
}
