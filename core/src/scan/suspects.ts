import type { DefaultTreeAdapterTypes } from 'parse5';
import { hostOf } from '../reading/addresses.ts';

type Element = DefaultTreeAdapterTypes.Element;

/* What shows or runs something from an address, and by which attributes it names that. */
const addressed: Readonly<Record<string, readonly string[]>> = {
  iframe: ['src', 'data-src', 'srcdoc'],
  embed: ['src'],
  object: ['data'],
  video: ['src'],
  audio: ['src'],
  source: ['src'],
  form: ['action'],
  script: ['src', 'data-src'],
};

/**
 * Whether an element may be of an embed of somebody else: it shows, runs or sends to what is not of the
 * page’s own host. Most pages have none beside those that the register knows, and need no closer look.
 */
export function isSuspect(element: Element, host: string | null): boolean {
  const names = addressed[element.tagName];
  if (names === undefined) return false;
  const own = element.attrs.filter(({ name }) => names.includes(name));
  if (own.some(({ name, value }) => name === 'srcdoc' || isElsewhere(value, host))) return true;
  if (element.tagName !== 'script' || own.length > 0) return false;
  // A script without an address may bring one.
  return element.childNodes.some((node) => 'value' in node && /["'`](?:https?:)?\/\//.test(node.value));
}

function isElsewhere(address: string, host: string | null): boolean {
  const named = hostOf(address.trim());
  return named !== null && named !== host;
}

/** Whether an element shows something by itself that is no text. */
export const isShown = ({ tagName }: Element): boolean => shown.has(tagName);

const shown = new Set([
  ...[
    'img',
    'picture',
    'svg',
    'canvas',
    'video',
    'audio',
    'iframe',
    'object',
    'embed',
    'form',
    'input',
    'hr',
  ],
]);
