import type { Reading } from '../reading/reading.ts';
import { escapeAttribute } from '../text/index.ts';
import { hostSource, writePolicy, type Directive } from '../text/policy.ts';
import {
  answerScriptHash,
  answerTag,
  hasLoader,
  heightName,
  listenerTag,
  listenScriptHash,
  loadScriptHash,
  reportedMember,
  reportScriptHash,
} from '../visitors/index.ts';

/* Everything by which a document can contact others (CSP 3, sections 6.1 and 6.3). */
const reaching = [
  'script-src',
  'style-src',
  'img-src',
  'media-src',
  'font-src',
  'connect-src',
  'frame-src',
  'form-action',
] as const;

/** What lets a document contact these hosts, for whatever it wants of them, and nobody else. */
export function contactSources(hosts: readonly string[]): Directive[] {
  const sources = hosts.map(hostSource).filter((source) => source !== null);
  return reaching.map((directive) => [
    directive,
    // What is in the document already contacts nobody.
    directive === 'img-src' || directive === 'font-src' ? [...sources, 'data:'] : sources,
  ]);
}

/**
 * The digests of our own scripts in a text. What is enclosed in it goes by its policy as well (HTML, section
 * 7.1.7.1: srcdoc inherits it).
 * @param reports whether its document tells how high it is.
 */
export const ownScripts = (text: string, reports: boolean): string[] => [
  ...(hasLoader(text) ? [loadScriptHash] : []),
  ...(text.includes(listenerTag) ? [listenScriptHash] : []),
  ...([answerTag, escapeAttribute(answerTag)].some((tag) => text.includes(tag)) ? [answerScriptHash] : []),
  ...(reports || text.includes(`${heightName}="${reportedMember}"`) ? [reportScriptHash] : []),
];

/**
 * What lets inline scripts run: any, where the code has some; then ours may, too, and a digest beside that
 * would shut the others out again (CSP 3, section 6.7.3.2).
 */
export const inlineScripts = ({ parts }: Pick<Reading, 'parts'>, own: readonly string[]): string[] =>
  parts.some(({ role }) => role === 'setup') ? ["'unsafe-inline'"] : own.map((hash) => `'${hash}'`);

/** The policy that a document brings along itself, where nobody sends one with it (HTML, section 4.2.5.3). */
export function broughtPolicy(
  text: string,
  reading: Pick<Reading, 'parts'>,
  { hosts, reports }: { hosts: readonly string[]; reports: boolean },
): string {
  const more: Readonly<Record<string, readonly string[]>> = {
    'script-src': inlineScripts(reading, ownScripts(text, reports)),
    'style-src': ["'unsafe-inline'"],
  };
  return writePolicy([
    ['default-src', ["'none'"]],
    ...contactSources(hosts).map(([name, sources]): Directive => {
      const all = [...sources, ...(more[name] ?? [])];
      return [name, all.length === 0 ? ["'none'"] : all];
    }),
    ['base-uri', ["'none'"]],
  ]);
}
