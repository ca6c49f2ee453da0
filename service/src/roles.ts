import { CannotStart } from './settings.ts';

/**
 * What a process does: the console with the interface, the frames in which foreign code is shown, or jobs
 * such as sweeps. Without a choice it does all of it.
 */
export const roles = ['console', 'frames', 'jobs'] as const;
export type Role = (typeof roles)[number];

const said = roles.join(', ');

/**
 * The roles that a command line asks for.
 * @throws CannotStart where it names none, or another one.
 * @example rolesIn(['--only', 'console,jobs']) // ['console', 'jobs']
 * @example rolesIn(['--only', 'frames-2']) // ['frames']: the second one of its kind
 */
export function rolesIn(words: readonly string[]): readonly Role[] {
  const at = words.findIndex((word) => word === '--only' || word.startsWith('--only='));
  if (at < 0) return roles;
  const named = words[at]!.slice('--only='.length) || words[at + 1] || '';
  const asked = named.split(',').map((word) => word.trim().replace(/-\d{1,4}$/, ''));
  const unknown = asked.find((word) => !roles.some((role) => role === word));
  if (unknown !== undefined)
    throw new CannotStart(
      unknown === ''
        ? `Say behind --only what this process does: ${said}, or several with commas between them.`
        : `“${unknown}” is nothing that a process of Orbis does. Say one of ${said} behind --only.`,
    );
  return roles.filter((role) => asked.includes(role));
}
