import { existsSync } from 'node:fs';

type Program = 'backup' | 'restore' | 'reset-password';

/** Whether this is an Orbis that was installed from its archive, and not a checkout. */
export const isInstalled = existsSync(new URL('../../bin/orbis-admin', import.meta.url));

/**
 * How a program for the server's own machine is called.
 * @example calledAs('backup') // 'npm run backup --', or 'orbis-admin backup'
 */
export const calledAs = (program: Program): string =>
  isInstalled ? `orbis-admin ${program}` : `npm run ${program} --`;
