import type { RouteName } from '@orbis/contract';

/* What a screen is for: whoever may not call that has no use for it. Further words of an address are of the
   screen with the longest beginning. */
const callOf: Readonly<Record<string, RouteName>> = {
  '/': 'today.read',
  '/collect': 'embeds.create',
  '/harvests': 'harvests.list',
  '/imports': 'imports.create',
  '/changes': 'changes.create',
  '/sweeps': 'sweeps.list',
  '/attention': 'findings.count',
  '/hosts': 'hosts.list',
  '/terms': 'terms.list',
  '/lists': 'changeLists.read',
  '/people': 'people.list',
  '/audit': 'audit.list',
  '/copies': 'copies.list',
  '/health': 'doctor.read',
  '/providers/new': 'providers.save',
  '/providers/learn': 'providers.learn',
};

/** The operation without which a screen is of no use; null where it is of use to everybody. */
export function callOfScreen(path: string): RouteName | null {
  if (path === '/') return callOf['/']!;
  const found = Object.keys(callOf)
    .filter((begin) => begin !== '/' && (path === begin || path.startsWith(`${begin}/`)))
    .sort((a, b) => b.length - a.length)[0];
  return found === undefined ? null : callOf[found]!;
}
