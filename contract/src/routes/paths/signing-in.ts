import type { Operation } from './operation.ts';

/** Whether Orbis answers, and how somebody signs in. */
export const signingInPaths = {
  'health.live': { method: 'get', path: '/health/live', needs: 'probe' },
  'health.ready': { method: 'get', path: '/health/ready', needs: 'probe' },
  'session.read': { method: 'get', path: '/session', needs: 'open' },
  'session.create': { method: 'post', path: '/session', needs: 'open' },
  'session.link': { method: 'post', path: '/session/link', needs: 'open' },
  'session.delete': { method: 'delete', path: '/session', needs: 'self' },
  'password.set': { method: 'post', path: '/password', needs: 'open' },
  'password.change': { method: 'post', path: '/password/changes', needs: 'self' },
  'sessions.list': { method: 'get', path: '/sessions', needs: 'self' },
  'sessions.delete': { method: 'delete', path: '/sessions/:session', needs: 'self' },
  'sessions.end': { method: 'delete', path: '/sessions', needs: 'self' },
  'invitations.read': { method: 'post', path: '/invitations', needs: 'open' },
  'tokens.create': { method: 'post', path: '/tokens', needs: 'self' },
  'tokens.exchange': { method: 'post', path: '/tokens/exchange', needs: 'open' },
  'tokens.list': { method: 'get', path: '/tokens', needs: 'self' },
  'tokens.delete': { method: 'delete', path: '/tokens/:token', needs: 'self' },
} as const satisfies Record<string, Operation>;
