import { readFileSync } from 'node:fs';

/** Of Orbis: it stands in the package at the top, and nowhere else. */
export const { version } = JSON.parse(
  readFileSync(new URL('../../package.json', import.meta.url), 'utf8'),
) as { version: string };
