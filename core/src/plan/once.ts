import type { Code } from '../code.ts';
import { bringsListener } from '../compose/framed.ts';
import type { Composition } from '../compose/composition.ts';
import { snippetText, type Snippet } from '../compose/snippet.ts';
import { bringsLoader } from '../presentation/index.ts';
import { reason } from '../reason.ts';
import { listenerTag, loaderTag } from '../visitors/index.ts';
import type { SharedPart } from './shared.ts';

/**
 * What it is: something that a code brings, our script that shows what waits, our script that makes frames as
 * high as what is in them, or what an editor needs to make embeds of what is pasted.
 */
export const onceKinds = ['code', 'loader', 'listener', 'companion'] as const;
export type OnceKind = (typeof onceKinds)[number];

/** What a page needs once, wherever it stands there: the same text on other pages is the same thing. */
export interface OncePerPage {
  what: OnceKind;
  /** What a code brings, by the address that it loads; empty where it loads nothing. */
  name: string;
  /** The digest of its text. */
  digest: string;
  text: string;
  /** The digests of what must stand before it, as it comes with a code. */
  after: string[];
}

interface InSpot {
  placement: { code: Code };
  composition: Composition;
  parts: readonly SharedPart[];
}

/** What the codes of a page, and its editor, need of it once; each text once. */
export function oncePerPage(
  worked: readonly InSpot[],
  companion: readonly Pick<Snippet, 'runs'>[],
  digest: (text: string) => string,
): OncePerPage[] {
  const found = new Map<string, OncePerPage>();
  const add = (what: OnceKind, text: string, { name = '', after = [] }: Partial<OncePerPage> = {}): void => {
    const key = digest(text);
    const known = found.get(key);
    if (known) known.after = [...new Set([...known.after, ...after])];
    else found.set(key, { what, name, digest: key, text, after });
  };
  for (const { placement, composition, parts } of worked) {
    const digests = parts.map(({ text }) => digest(text));
    parts.forEach((part, at) =>
      add('code', part.text, { name: nameOfPart(part, placement.code), after: digests.slice(0, at) }),
    );
    if (bringsLoader(composition)) add('loader', loaderTag);
    if (bringsListener(composition)) add('listener', listenerTag);
  }
  for (const snippet of companion) add('companion', snippetText(snippet));
  return [...found.values()];
}

/** The address that a part loads, without its scheme; empty where it loads nothing. */
export function nameOfPart({ start, end }: SharedPart, { markup }: Code): string {
  const loads = markup.elements
    .filter((element) => element.start >= start && element.end <= end)
    .map(({ attributes }) => attributes.value('src') || attributes.value('href'))
    .find((address) => address !== '');
  return (loads ?? '').replace(/^(?:https?:)?\/\//i, '').slice(0, longestName);
}
const longestName = 200;

/** A text that a page needs once, as it is handed out for the head of the whole site. */
export function snippetForSite(text: string): Snippet {
  const why = { stage: 'leave-out', option: 'plan', ...reason('moved-to-site-head') } as const;
  const { stage, option } = why;
  return {
    position: 'site-head',
    runs: [{ from: 'orbis', text, stage, options: [option], reasons: [why], instead: null }],
  };
}
