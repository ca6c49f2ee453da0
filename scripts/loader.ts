// Makes the small forms of the scripts that are pasted into pages, and the digests by which policies allow
// them.
import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { transformSync } from 'esbuild';

/** Each script: its readable form, the file that the core has the small one in, and its name there. */
export const pastedScripts = [
  { source: 'loader', file: 'load-script', name: 'loadScript', what: 'loader that shows codes that wait' },
  {
    source: 'reporter',
    file: 'report-script',
    name: 'reportScript',
    what: 'script by which a framed document tells how high it is',
  },
  {
    source: 'listener',
    file: 'listen-script',
    name: 'listenScript',
    what: 'script that makes frames as high as their documents tell',
  },
  {
    source: 'answer',
    file: 'answer-script',
    name: 'answerScript',
    what: 'script that sends a form and says whether it got there',
  },
] as const;
export type PastedScript = (typeof pastedScripts)[number];

/** The file that the core has a script in. */
export const fileOf = ({ file }: PastedScript): URL =>
  new URL(`../core/src/visitors/${file}.ts`, import.meta.url);

/** What stands in that file, from the readable form of the script. */
export function moduleOf({ source, name, what }: PastedScript): string {
  const readable = readFileSync(new URL(`../core/loader/${source}.js`, import.meta.url), 'utf8');
  const { code } = transformSync(readable, { minify: true, target: 'es2020' });
  const script = code.trim();
  const digest = createHash('sha256').update(script).digest('base64');
  const quoted = `'${script.replaceAll('\\', '\\\\').replaceAll("'", "\\'")}'`;
  return `// Made by \`npm run loader\` from core/loader/${source}.js; do not change it here.

/** The ${what}, as it is pasted, without its tags. */
export const ${name} =
  ${quoted};

/** Its digest, as a policy names a script that may run (CSP 3, section 2.3.1). */
export const ${name}Hash = 'sha256-${digest}';
`;
}

if (import.meta.url === pathToFileURL(process.argv[1]!).href)
  for (const script of pastedScripts) writeFileSync(fileOf(script), moduleOf(script));
