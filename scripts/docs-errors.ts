// Writes docs/errors.md from the catalogue.
import { writeFileSync } from 'node:fs';
import { catalogue } from '@orbis/contract';

const rows = Object.entries(catalogue).map(([code, { status, exit, title }]) => `| \`${code}\` | ${status} | ${exit} | ${title} |`);
writeFileSync(
  new URL('../docs/errors.md', import.meta.url),
  `# Errors

Every error of the HTTP interface is a problem document (RFC 9457) with one of these codes in \`code\`, and a sentence for people in \`detail\`. The command line prints that sentence and ends with the exit status.

| code | HTTP status | exit status | title |
| --- | --- | --- | --- |
${rows.join('\n')}
`,
);
