import { escapeAttribute } from '../text/index.ts';
import { answerTag } from './answer.ts';
import { listenerTag, reporterTag } from './frames.ts';
import { loadScript } from './load-script.ts';

/** The loader as it is pasted. */
export const loaderTag = `<script>${loadScript}</script>`;

/** Whether a text that was handed out has the loader in it. */
export const hasLoader = (text: string): boolean => text.includes(loaderTag);

/** A text for people to read, in which the scripts of ours are only named. */
export const scriptsInShort = (text: string): string =>
  [loaderTag, listenerTag, answerTag, ...[listenerTag, reporterTag, answerTag].map(escapeAttribute)].reduce(
    (short, tag) => short.replaceAll(tag, '<script>…</script>'),
    text,
  );
