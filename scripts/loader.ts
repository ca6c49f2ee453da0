// Makes the small form of the loader that is pasted into pages, and the digest by which policies allow it.
import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { transformSync } from 'esbuild';

/** The file that the core has it in. */
export const loaderFile = new URL('../core/src/visitors/load-script.ts', import.meta.url);

/** What stands in that file, from the readable form of the loader. */
export function loaderModule(): string {
  const source = readFileSync(new URL('../core/loader/loader.js', import.meta.url), 'utf8');
  const { code } = transformSync(source, { minify: true, target: 'es2020' });
  const script = code.trim();
  const digest = createHash('sha256').update(script).digest('base64');
  const quoted = `'${script.replaceAll('\\', '\\\\').replaceAll("'", "\\'")}'`;
  return `// Made by \`npm run loader\` from core/loader/loader.js; do not change it here.

/** The loader that shows codes that wait, as it is pasted, without its tags. */
export const loadScript =
  ${quoted};

/** Its digest, as a policy names a script that may run (CSP 3, section 2.3.1). */
export const loadScriptHash = 'sha256-${digest}';
`;
}

if (import.meta.url === pathToFileURL(process.argv[1]!).href) writeFileSync(loaderFile, loaderModule());
