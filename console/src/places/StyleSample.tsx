import Box from '@mui/material/Box';
import { useEffect, useRef, useState } from 'react';

/* What is styled most: words, a link, fields, a button. */
const sample = `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Sample</title></head><body>
<h2>Letters from the fell</h2>
<p>Once a month, what the sky will show. <a href="#">Earlier letters</a></p>
<form><p><label>Your address<br><input type="email" value="ada@hollinfell.example"></label></p>
<p><label><input type="checkbox" checked> Tell me of open nights</label></p>
<p><button type="button">Sign up</button></p></form></body></html>`;

/* As a framed document begins. */
const always = 'body{margin:16px;font:16px/1.5 sans-serif}';

/**
 * A form as it looks with a style. Nothing runs in it; the style is put in as an object of its document
 * (CSSOM, section 6.2), as the console’s own policy lets no inline styles in.
 */
export function StyleSample({ style }: { style: string }) {
  const frame = useRef<HTMLIFrameElement>(null);
  const [document, setDocument] = useState<Document | null>(null);
  useEffect(() => {
    const view = document?.defaultView;
    if (!document || !view) return;
    const sheet = new (view as unknown as typeof globalThis).CSSStyleSheet();
    sheet.replaceSync(`${always}${style}`);
    document.adoptedStyleSheets = [sheet];
  }, [document, style]);
  return (
    <Box
      component="iframe"
      ref={frame}
      title="A form with this style"
      sandbox="allow-same-origin"
      srcDoc={sample}
      onLoad={() => setDocument(frame.current?.contentDocument ?? null)}
      sx={{
        width: '100%',
        minHeight: 280,
        height: '100%',
        border: 1,
        borderColor: 'divider',
        borderRadius: 1,
        bgcolor: '#fff',
      }}
    />
  );
}
