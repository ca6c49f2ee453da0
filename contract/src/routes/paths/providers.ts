import type { Operation } from './operation.ts';

/** What is known of providers, and what pages of theirs were harvested. */
export const providersPaths = {
  'terms.list': { method: 'get', path: '/terms', needs: 'see' },
  'terms.costs': { method: 'get', path: '/terms/costs', needs: 'see' },
  'terms.ofEmbed': {
    method: 'get',
    path: '/embeds/:embed/terms',
    needs: 'see',
    at: { embed: 'params.embed' },
  },
  'terms.writeOfEmbed': {
    method: 'put',
    path: '/embeds/:embed/terms',
    needs: 'change',
    at: { embed: 'params.embed' },
  },
  'terms.ofProvider': { method: 'get', path: '/providers/:provider/terms', needs: 'see', at: 'anywhere' },
  'terms.writeOfProvider': { method: 'put', path: '/providers/:provider/terms', needs: 'change' },
  'harvests.create': { method: 'post', path: '/harvests', needs: 'collect' },
  'harvests.list': { method: 'get', path: '/harvests', needs: 'see' },
  'harvests.read': { method: 'get', path: '/harvests/:harvest', needs: 'see' },
  'harvests.take': { method: 'post', path: '/harvests/:harvest/embeds', needs: 'collect' },
  'providers.list': { method: 'get', path: '/providers', needs: 'see', at: 'anywhere' },
  'providers.read': { method: 'get', path: '/providers/:provider', needs: 'see', at: 'anywhere' },
  'providers.compare': { method: 'post', path: '/providers/comparisons', needs: 'see' },
  'providers.learn': { method: 'post', path: '/providers/proposals', needs: 'collect' },
  'providers.save': { method: 'put', path: '/providers/:provider', needs: 'change' },
  'providers.remove': { method: 'delete', path: '/providers/:provider', needs: 'change' },
  'endpoints.list': { method: 'get', path: '/oembed-endpoints', needs: 'see', at: 'anywhere' },
  'endpoints.import': { method: 'post', path: '/oembed-endpoints/imports', needs: 'change' },
  'endpoints.remove': { method: 'delete', path: '/oembed-endpoints/:endpoint', needs: 'change' },
} as const satisfies Record<string, Operation>;
