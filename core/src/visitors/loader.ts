import { loadScript } from './load-script.ts';

/** The loader as it is pasted. */
export const loaderTag = `<script>${loadScript}</script>`;

/** Whether a text that was handed out has the loader in it. */
export const hasLoader = (text: string): boolean => text.includes(loaderTag);

/** A text for people to read, in which the loader is only named. */
export const loaderInShort = (text: string): string => text.replaceAll(loaderTag, '<script>…</script>');
