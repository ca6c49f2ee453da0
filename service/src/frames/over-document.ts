import { escapeAttribute, escapeText, pastedIn, type FramedContent } from '@orbis/core';

/**
 * What stands in the place of an embed that is shown no more: one sentence, and a link to its content at its
 * provider.
 */
export function overDocument(
  sentence: string,
  { address, provider, inTab }: FramedContent,
  language: string,
): string {
  const target = inTab ? ' target="_blank"' : '';
  return `<!doctype html>
<html lang="${escapeAttribute(language)}">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>${escapeText(sentence)}</title></head>
<body>
<p>${escapeText(sentence)} <a href="${escapeAttribute(address)}"${target} rel="noopener noreferrer">${escapeText(pastedIn(language).open(provider))}</a></p>
</body>
</html>
`;
}
