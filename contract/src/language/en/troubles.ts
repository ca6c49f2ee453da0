import type { Language } from '../language.ts';

/* What is asked for at an address, at the beginning of a sentence. */
const things: Readonly<Record<string, string>> = {
  frame: 'The page in its frame',
  script: 'A script',
  stylesheet: 'A style sheet',
  image: 'A picture',
  media: 'A film or sound',
};
const thing = (use: unknown): string => things[String(use)] ?? 'Something';

/** What does not work in a code as it is shown: what, and what would do. */
export const troubles: Language['troubles'] = {
  'refuses-frames': (f) =>
    `${f['host']} does not let its page be framed on your site: ${f['because']}. Visitors will see an empty box; ask ${f['host']} for a code that is meant for it, or put a link on your page instead.`,
  'not-there': (f) =>
    `${thing(f['use'])} is not there any more: ${f['address']} answers with ${f['status']}. Get the code anew from its provider.`,
  'no-answer': (f) =>
    `${thing(f['use'])} could not be asked for: ${f['why']} If it stays so, visitors will see nothing of it.`,
  'not-loaded': (f) => `${thing(f['use'])} did not load: ${f['address']}`,
  'blocked': (f) =>
    `It asks for something from ${f['host']}, which its code does not name. The preview does not let that through, so it may look different on your page.`,
  'script-stopped': (f) => `One of its scripts stopped: “${f['words']}”. What it should do is not done.`,
  'nothing-shown': (f) =>
    `Nothing has shown after ${f['seconds']} seconds. It may be waiting for something that it only finds on your page, or its provider does not answer.`,
};
