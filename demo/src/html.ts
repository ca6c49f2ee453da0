/** Escapes a text for HTML content and for attribute values in double quotes. */
export const escapeHtml = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

/** A whole document; `body` is HTML. */
export function htmlPage({
  title,
  style,
  body,
  head = '',
}: {
  title: string;
  style: string;
  body: string;
  head?: string;
}): string {
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escapeHtml(title)}</title>
${style === '' ? '' : `<link rel="stylesheet" href="${style}">\n`}${head}</head>
<body>
${body}
</body>
</html>
`;
}
