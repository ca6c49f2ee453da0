import type { Operation } from './operation.ts';

/** Who works with Orbis, who did what, and the safety of all of it. */
export const peoplePaths = {
  'audit.list': { method: 'get', path: '/audit', needs: 'manage' },
  'audit.export': { method: 'get', path: '/audit.ndjson', needs: 'manage' },
  'audit.check': { method: 'post', path: '/audit/checks', needs: 'manage' },
  'people.list': { method: 'get', path: '/people', needs: 'manage' },
  'people.create': { method: 'post', path: '/people', needs: 'manage' },
  'people.read': { method: 'get', path: '/people/:person', needs: 'manage' },
  'people.change': { method: 'patch', path: '/people/:person', needs: 'manage' },
  'people.standing': { method: 'get', path: '/people/:person/standing', needs: 'manage' },
  'people.remove': { method: 'delete', path: '/people/:person', needs: 'manage' },
  'people.invite': { method: 'post', path: '/people/:person/links', needs: 'manage' },
  'people.takeFactors': { method: 'post', path: '/people/:person/factors/removals', needs: 'manage' },
  'copies.list': { method: 'get', path: '/copies', needs: 'manage' },
  'copies.create': { method: 'post', path: '/copies', needs: 'manage' },
  'copies.standing': { method: 'get', path: '/copies/standing', needs: 'manage' },
} as const satisfies Record<string, Operation>;
