import { defaultTreeAdapter as tree } from 'parse5';
import { attributeOf, type Element } from './tree.ts';

/* What runs, what changes where the page leads, and what answers for the page in its head. */
const dropped: ReadonlySet<string> = new Set(['script', 'base', 'applet', 'portal', 'fencedframe']);

/* What an element shows of others, or does; without it, it keeps its room, and the page its look. */
const silenced: Readonly<Record<string, readonly string[]>> = {
  iframe: ['src', 'srcdoc'],
  frame: ['src'],
  embed: ['src'],
  object: ['data', 'classid', 'codebase'],
  video: ['src', 'autoplay'],
  audio: ['src', 'autoplay'],
  source: ['src'],
  track: ['src'],
};
const alwaysSilenced: ReadonlySet<string> = new Set(['ping', 'formaction', 'nonce', 'data-orbis-place']);

/**
 * Takes out of a page whatever would act or load others’ frames: scripts and what starts them, frames, media,
 * redirections. Styles, pictures and fonts stay, and so does what a browser without scripts would show.
 */
export function quiet(elements: readonly Element[]): void {
  for (const element of elements) {
    if (dropped.has(element.tagName) || tellsTheBrowser(element)) tree.detachNode(element);
    else if (element.tagName === 'noscript') unwrap(element);
    else silence(element);
  }
}

/* `meta` that speaks as a header does (HTML, section 4.2.5.3), and links to anything but style sheets. */
const tellsTheBrowser = (element: Element): boolean =>
  (element.tagName === 'meta' && attributeOf(element, 'http-equiv') !== null) ||
  (element.tagName === 'link' && !/(?:^|\s)stylesheet(?:\s|$)/i.test(attributeOf(element, 'rel') ?? ''));

function silence(element: Element): void {
  const names = silenced[element.tagName] ?? [];
  // Sheets that wait behind their own script, as many pages have them.
  const waits = element.tagName === 'link' && attributeOf(element, 'onload') !== null;
  element.attrs = element.attrs.filter(
    ({ name, value }) =>
      !name.startsWith('on') &&
      !names.includes(name) &&
      !alwaysSilenced.has(name) &&
      !(waits && name === 'media') &&
      !isScript(value),
  );
}

/* An address that is a script (HTML, section 7.4.2.3.2); blanks and controls in it count for nothing. */
const isScript = (value: string): boolean =>
  /^javascript:/i.test(value.slice(0, 200).replace(/[\p{Cc}\s]+/gu, ''));

function unwrap(element: Element): void {
  for (const child of [...element.childNodes]) {
    tree.detachNode(child);
    tree.insertBefore(element.parentNode!, child, element);
  }
  tree.detachNode(element);
}
