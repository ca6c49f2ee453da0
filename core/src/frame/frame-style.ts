import { converter, wcagContrast } from 'culori';
import { readableOn } from '../presentation/edges/readable.ts';

/** So long the style of a site for its frames may be, in UTF-16 code units. */
export const mostStyle = 8000;

/**
 * What of a style cannot be had in a frame: what ends the element that it stands in (HTML, section 13.1.2.2),
 * and sheets from elsewhere, which would have to be asked for before anything is shown. Null where all can.
 */
export function wrongInStyle(style: string): string | null {
  return /<\/style|<!--|@import\b/i.exec(style)?.[0] ?? null;
}

/** What a starter is made of. */
export interface StyleOfSite {
  /** Its colours, as `#rrggbb`. */
  colours: readonly string[];
  /** Its font, as `font-family` names it; null where it is not known. */
  font: string | null;
}

/**
 * A style for the insides of a site’s frames to begin with: the font of the site, its darkest colour for
 * words, the most vivid one for links and buttons.
 */
export function starterStyle({ colours, font }: StyleOfSite): string {
  const words = colours.filter((colour) => wcagContrast(colour, '#ffffff') >= readable);
  const dark = words.sort((a, b) => wcagContrast(b, '#ffffff') - wcagContrast(a, '#ffffff'))[0] ?? '#222222';
  const accent = mostVivid(colours.filter((colour) => wcagContrast(colour, '#ffffff') >= seen)) ?? dark;
  return `body {
  font-family: ${font ?? 'sans-serif'};
  color: ${dark};
}
a {
  color: ${accent};
}
input, select, textarea, button {
  box-sizing: border-box;
  max-width: 100%;
  padding: 0.5em 0.75em;
  border: 1px solid ${accent};
  border-radius: 4px;
  font: inherit;
}
button, [type='submit'] {
  background: ${accent};
  color: ${readableOn(accent)};
  cursor: pointer;
}
`;
}

/* Of words, and of what is only to be seen, on white (WCAG 2.2, success criteria 1.4.3 and 1.4.11). */
const [readable, seen] = [4.5, 3];
/* Less of it is a grey. */
const leastChroma = 0.04;

const inOklch = converter('oklch');
const vividness = (colour: string): number => inOklch(colour)?.c ?? 0;
const mostVivid = (colours: readonly string[]): string | undefined =>
  colours.filter((colour) => vividness(colour) >= leastChroma).sort((a, b) => vividness(b) - vividness(a))[0];
