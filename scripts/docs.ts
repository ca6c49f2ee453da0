// Writes what the documents take from the code: docs/errors.md, the schema of a sheet, and the README's list of settings.
import { readFileSync, writeFileSync } from 'node:fs';
import { catalogue, listServiceSettings, sheetJsonSchema } from '@orbis/contract';

const top = new URL('../', import.meta.url);

/** The document of the catalogue of errors. */
export function errorsDocument(): string {
  const rows = Object.entries(catalogue).map(([code, { status, exit, title }]) => `| \`${code}\` | ${status} | ${exit} | ${title} |`);
  return `# Errors

Every error of the HTTP interface is a problem document (RFC 9457) with one of these codes in \`code\`, and a sentence for people in \`detail\`. The command line prints that sentence and ends with the exit status.

| code | HTTP status | exit status | title |
| --- | --- | --- | --- |
${rows.join('\n')}
`;
}

/** The README with its list of settings renewed. */
export function renewedReadme(readme: string): string {
  const rows = listServiceSettings().map(({ name, meaning, default: fallback }) => `| \`${name}\` | ${fallback ? `\`${fallback}\`` : ''} | ${meaning} |`);
  const list = ['| setting | default | meaning |', '| --- | --- | --- |', ...rows].join('\n');
  return readme.replace(/(<!-- settings -->)[\s\S]*?(<!-- end of settings -->)/, `$1\n\n${list}\n\n$2`);
}

/** The JSON Schema of a provider's sheet. */
export const sheetSchemaDocument = (): string => `${JSON.stringify(sheetJsonSchema(), null, 2)}\n`;

/** The documents that are not as the code would have them. */
export function staleDocuments(): string[] {
  const readme = readFileSync(new URL('README.md', top), 'utf8');
  const errors = readFileSync(new URL('docs/errors.md', top), 'utf8');
  const schema = readFileSync(new URL('docs/provider-sheet.schema.json', top), 'utf8');
  return [
    ...(renewedReadme(readme) === readme ? [] : ['README.md']),
    ...(errorsDocument() === errors ? [] : ['docs/errors.md']),
    ...(sheetSchemaDocument() === schema ? [] : ['docs/provider-sheet.schema.json']),
  ];
}

if (process.argv[1]?.endsWith('docs.ts')) {
  writeFileSync(new URL('docs/errors.md', top), errorsDocument());
  writeFileSync(new URL('docs/provider-sheet.schema.json', top), sheetSchemaDocument());
  writeFileSync(new URL('README.md', top), renewedReadme(readFileSync(new URL('README.md', top), 'utf8')));
}
