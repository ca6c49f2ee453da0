import Box from '@mui/material/Box';
import { useEffect, useRef, useState } from 'react';
import { createPortal } from 'react-dom';

/* As a framed document begins. */
const always = 'body{margin:16px;font:16px/1.5 sans-serif}';

/**
 * What is styled most, as it looks with a style. Nothing runs in its frame; the style is put in as an object
 * of its document (CSSOM, section 6.2), as the console’s own policy lets no inline styles in.
 */
export function StyleSample({ style }: { style: string }) {
  const frame = useRef<HTMLIFrameElement>(null);
  const [body, setBody] = useState<HTMLElement | null>(null);
  const look = () => setBody(frame.current?.contentDocument?.body ?? null);
  // An empty document may be there before anybody hears that it is loaded.
  useEffect(look, []);
  useEffect(() => {
    const inside = frame.current?.contentDocument;
    if (body && inside) dress(inside, style);
  }, [body, style]);
  return (
    <>
      <Box
        component="iframe"
        ref={frame}
        title="A form with this style"
        sandbox="allow-same-origin"
        onLoad={look}
        sx={{
          width: '100%',
          minHeight: 300,
          height: '100%',
          border: 1,
          borderColor: 'divider',
          borderRadius: 1,
          bgcolor: '#fff',
        }}
      />
      {body && createPortal(<Sample />, body)}
    </>
  );
}

function dress(inside: Document, style: string): void {
  const view = inside.defaultView;
  if (!view) return;
  const sheet = new view.CSSStyleSheet();
  sheet.replaceSync(`${always}${style}`);
  inside.adoptedStyleSheets = [sheet];
  inside.documentElement.lang = 'en';
  inside.title = 'A form with this style';
}

function Sample() {
  return (
    <>
      <h2>Letters from the fell</h2>
      <p>
        Once a month, what the sky will show. <a href="#earlier">Earlier letters</a>
      </p>
      <p>
        <label>
          Your address
          <br />
          <input type="email" defaultValue="ada@hollinfell.example" />
        </label>
      </p>
      <p>
        <label>
          <input type="checkbox" defaultChecked /> Tell me of open nights
        </label>
      </p>
      <p>
        <button type="button">Sign up</button>
      </p>
    </>
  );
}
