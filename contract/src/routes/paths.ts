import type { Right } from '../rights.ts';

/** Below this address everything of version 1 answers. */
export const apiBase = '/api/v1';

/** What may be named in a call, by which it is known of which site it is. */
type Thing =
  | 'site'
  | 'page'
  | 'spot'
  | 'sharedSpot'
  | 'placement'
  | 'embed'
  | 'sweep'
  | 'look'
  | 'inspection'
  | 'finding'
  | 'change';

/** Where in a call something is named: by its key, or several by theirs. */
type Named = `${'params' | 'query' | 'body'}.${string}`;

/**
 * Where a right is needed that somebody may have on single sites only:
 *
 * - on the sites of all things that are named in such a call, of which at least one must be, unless it is
 *   allowed `otherwise`;
 * - `anywhere`, as it tells and changes nothing of a site;
 * - `narrowed`: anywhere, as it tells of nothing but what whoever asks may see.
 */
export type At = 'anywhere' | 'narrowed' | ({ [T in Thing]?: Named } & { otherwise?: 'anywhere' });

/** Where an operation answers, and what calling it takes. */
export interface Operation {
  method: 'get' | 'post' | 'put' | 'patch' | 'delete';
  /** Below {@link apiBase}, with parameters as `:name`. */
  path: string;
  /**
   * The right that it takes. `self` is about whoever calls, and takes being signed in alone; `open` not even
   * that; `probe` also answers without the database, and never asks who calls.
   */
  needs: Right | 'self' | 'open' | 'probe';
  /** Where the right is needed; for everything where nothing is said. */
  at?: At;
}

/**
 * Where each operation answers, and the right that it needs: all that a client must know. What goes in and
 * comes out stands beside this, in the table of routes.
 */
export const paths = {
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
  'tokens.create': { method: 'post', path: '/tokens', needs: 'self' },
  'tokens.exchange': { method: 'post', path: '/tokens/exchange', needs: 'open' },
  'tokens.list': { method: 'get', path: '/tokens', needs: 'self' },
  'tokens.delete': { method: 'delete', path: '/tokens/:token', needs: 'self' },
  'readings.create': { method: 'post', path: '/readings', needs: 'see', at: 'anywhere' },
  'links.collect': { method: 'post', path: '/links/collections', needs: 'collect', at: 'anywhere' },
  'links.find': { method: 'post', path: '/links', needs: 'collect', at: 'anywhere' },
  'compositions.create': {
    method: 'post',
    path: '/compositions',
    needs: 'see',
    at: { embed: 'body.embed', placement: 'body.placement', otherwise: 'anywhere' },
  },
  'previews.create': {
    method: 'post',
    path: '/previews',
    needs: 'see',
    at: { embed: 'body.embed', placement: 'body.placement', page: 'body.on.page', otherwise: 'anywhere' },
  },
  'inquiries.create': {
    method: 'post',
    path: '/inquiries',
    needs: 'see',
    at: { embed: 'body.embed', placement: 'body.placement', otherwise: 'anywhere' },
  },
  'pictures.create': {
    method: 'post',
    path: '/pictures',
    needs: 'see',
    at: { embed: 'body.embed', placement: 'body.placement', page: 'body.on.page', otherwise: 'anywhere' },
  },
  'stills.create': {
    method: 'post',
    path: '/stills',
    needs: 'see',
    at: { embed: 'body.embed', placement: 'body.placement', otherwise: 'anywhere' },
  },
  'measurements.create': {
    method: 'post',
    path: '/measurements',
    needs: 'see',
    at: { embed: 'body.embed', placement: 'body.placement', page: 'body.on.page', otherwise: 'anywhere' },
  },
  'weighings.create': {
    method: 'post',
    path: '/weighings',
    needs: 'see',
    at: { embed: 'body.embed', placement: 'body.placement', otherwise: 'anywhere' },
  },
  'contacts.create': {
    method: 'post',
    path: '/contacts',
    needs: 'see',
    at: { embed: 'body.embed', placement: 'body.placement', otherwise: 'anywhere' },
  },
  'contacts.blocked': {
    method: 'get',
    path: '/embeds/:embed/blocked-contacts',
    needs: 'see',
    at: { embed: 'params.embed' },
  },
  'contacts.clear': {
    method: 'delete',
    path: '/embeds/:embed/blocked-contacts',
    needs: 'change',
    at: { embed: 'params.embed' },
  },
  'embeds.list': { method: 'get', path: '/embeds', needs: 'see', at: 'narrowed' },
  'embeds.create': { method: 'post', path: '/embeds', needs: 'collect', at: 'anywhere' },
  'embeds.read': { method: 'get', path: '/embeds/:embed', needs: 'see', at: { embed: 'params.embed' } },
  'embeds.change': {
    method: 'patch',
    path: '/embeds/:embed',
    needs: 'change',
    at: { embed: 'params.embed' },
  },
  'embeds.purge': { method: 'post', path: '/embeds/:embed/purge', needs: 'manage' },
  'embeds.picture': {
    method: 'get',
    path: '/embeds/:embed/picture',
    needs: 'see',
    at: { embed: 'params.embed' },
  },
  'embeds.photograph': {
    method: 'post',
    path: '/embeds/:embed/picture',
    needs: 'change',
    at: { embed: 'params.embed' },
  },
  'revisions.create': {
    method: 'post',
    path: '/embeds/:embed/revisions',
    needs: 'change',
    at: { embed: 'params.embed' },
  },
  'sources.create': {
    method: 'post',
    path: '/embeds/:embed/sources',
    needs: 'change',
    at: { embed: 'params.embed' },
  },
  'embeds.duplicate': {
    method: 'post',
    path: '/embeds/:embed/duplicates',
    needs: 'collect',
    at: { embed: 'params.embed' },
  },
  'revisions.compare': {
    method: 'get',
    path: '/embeds/:embed/comparison',
    needs: 'see',
    at: { embed: 'params.embed' },
  },
  'revisions.restore': {
    method: 'post',
    path: '/embeds/:embed/revisions/:revision/restore',
    needs: 'change',
    at: { embed: 'params.embed' },
  },
  'revisions.list': {
    method: 'get',
    path: '/embeds/:embed/revisions',
    needs: 'see',
    at: { embed: 'params.embed' },
  },
  'revisions.read': {
    method: 'get',
    path: '/embeds/:embed/revisions/:revision',
    needs: 'see',
    at: { embed: 'params.embed' },
  },
  'imports.create': { method: 'post', path: '/imports', needs: 'collect', at: 'anywhere' },
  'imports.watch': { method: 'post', path: '/imports/watched', needs: 'collect', at: 'anywhere' },
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
  'presets.list': { method: 'get', path: '/presets', needs: 'see', at: 'anywhere' },
  'presets.read': { method: 'get', path: '/presets/:preset', needs: 'see', at: 'anywhere' },
  'presets.save': { method: 'put', path: '/presets/:preset', needs: 'change' },
  'presets.remove': { method: 'delete', path: '/presets/:preset', needs: 'change' },
  'changes.create': { method: 'post', path: '/changes', needs: 'change' },
  'changes.list': { method: 'get', path: '/changes', needs: 'see', at: 'narrowed' },
  'changes.feed': { method: 'get', path: '/changes.atom', needs: 'see' },
  'changes.follow': { method: 'get', path: '/changes/events', needs: 'see', at: 'narrowed' },
  'changes.read': { method: 'get', path: '/changes/:change', needs: 'see', at: { change: 'params.change' } },
  'changes.undo': {
    method: 'post',
    path: '/changes/:change/undo',
    needs: 'change',
    at: { change: 'params.change' },
  },
  'changeLists.list': { method: 'get', path: '/change-lists', needs: 'see' },
  'changeLists.create': { method: 'post', path: '/change-lists', needs: 'place' },
  'changeLists.read': { method: 'get', path: '/change-lists/:list', needs: 'see' },
  'changeLists.fill': { method: 'post', path: '/change-lists/:list/pages', needs: 'place' },
  'changeLists.delete': { method: 'delete', path: '/change-lists/:list', needs: 'place' },
  'changeListPages.list': { method: 'get', path: '/change-lists/:list/pages', needs: 'see' },
  'changeListPages.read': { method: 'get', path: '/change-lists/:list/pages/:page', needs: 'see' },
  'changeListPages.tick': { method: 'post', path: '/change-lists/:list/pages/:page/tick', needs: 'paste' },
  'changeListPages.untick': {
    method: 'delete',
    path: '/change-lists/:list/pages/:page/tick',
    needs: 'paste',
  },
  'harvests.create': { method: 'post', path: '/harvests', needs: 'collect' },
  'harvests.list': { method: 'get', path: '/harvests', needs: 'see' },
  'harvests.read': { method: 'get', path: '/harvests/:harvest', needs: 'see' },
  'harvests.take': { method: 'post', path: '/harvests/:harvest/embeds', needs: 'collect' },
  'sites.list': { method: 'get', path: '/sites', needs: 'see', at: 'narrowed' },
  'sites.create': { method: 'post', path: '/sites', needs: 'place' },
  'sites.read': { method: 'get', path: '/sites/:site', needs: 'see', at: { site: 'params.site' } },
  'sites.change': { method: 'patch', path: '/sites/:site', needs: 'place', at: { site: 'params.site' } },
  'sites.colours': {
    method: 'post',
    path: '/sites/:site/colours',
    needs: 'place',
    at: { site: 'params.site' },
  },
  'sites.specimen': {
    method: 'get',
    path: '/sites/:site/specimen',
    needs: 'see',
    at: { site: 'params.site' },
  },
  'sites.learn': {
    method: 'post',
    path: '/sites/:site/specimen-readings',
    needs: 'place',
    at: { site: 'params.site' },
  },
  'sites.standing': {
    method: 'get',
    path: '/sites/:site/standing',
    needs: 'see',
    at: { site: 'params.site' },
  },
  'sites.delete': { method: 'delete', path: '/sites/:site', needs: 'place' },
  'pageSearches.create': {
    method: 'post',
    path: '/sites/:site/page-searches',
    needs: 'place',
    at: { site: 'params.site' },
  },
  'pageImports.create': {
    method: 'post',
    path: '/sites/:site/page-imports',
    needs: 'place',
    at: { site: 'params.site' },
  },
  'heads.read': { method: 'get', path: '/sites/:site/head', needs: 'see', at: { site: 'params.site' } },
  'heads.change': { method: 'patch', path: '/sites/:site/head', needs: 'place', at: { site: 'params.site' } },
  'headDeliveries.create': {
    method: 'post',
    path: '/sites/:site/head/deliveries',
    needs: 'paste',
    at: { site: 'params.site' },
  },
  'headDeliveries.list': {
    method: 'get',
    path: '/sites/:site/head/deliveries',
    needs: 'see',
    at: { site: 'params.site' },
  },
  'pages.list': { method: 'get', path: '/pages', needs: 'see', at: { site: 'query.site' } },
  'pages.create': { method: 'post', path: '/pages', needs: 'place', at: { page: 'body.key' } },
  'pages.read': { method: 'get', path: '/pages/:page', needs: 'see', at: { page: 'params.page' } },
  'pages.change': { method: 'patch', path: '/pages/:page', needs: 'place', at: { page: 'params.page' } },
  'pages.standing': {
    method: 'get',
    path: '/pages/:page/standing',
    needs: 'see',
    at: { page: 'params.page' },
  },
  'pages.delete': { method: 'delete', path: '/pages/:page', needs: 'place', at: { page: 'params.page' } },
  'plans.read': { method: 'get', path: '/pages/:page/plan', needs: 'see', at: { page: 'params.page' } },
  'plans.tick': {
    method: 'post',
    path: '/pages/:page/plan/ticks',
    needs: 'paste',
    at: { page: 'params.page' },
  },
  'planLinks.list': {
    method: 'get',
    path: '/pages/:page/plan/links',
    needs: 'paste',
    at: { page: 'params.page' },
  },
  'planLinks.create': {
    method: 'post',
    path: '/pages/:page/plan/links',
    needs: 'paste',
    at: { page: 'params.page' },
  },
  'planLinks.delete': {
    method: 'delete',
    path: '/pages/:page/plan/links/:link',
    needs: 'paste',
    at: { page: 'params.page' },
  },
  'sharedPlans.read': { method: 'post', path: '/shared-plans', needs: 'open' },
  'sharedPlans.handOut': { method: 'post', path: '/shared-plans/codes', needs: 'open' },
  'sharedPlans.tick': { method: 'post', path: '/shared-plans/ticks', needs: 'open' },
  'spots.create': { method: 'post', path: '/spots', needs: 'place', at: { spot: 'body.key' } },
  'spots.change': { method: 'put', path: '/spots/:spot', needs: 'place', at: { spot: 'params.spot' } },
  'spots.read': { method: 'get', path: '/spots/:spot', needs: 'see', at: { spot: 'params.spot' } },
  'spots.standing': {
    method: 'get',
    path: '/spots/:spot/standing',
    needs: 'see',
    at: { spot: 'params.spot' },
  },
  'spots.delete': { method: 'delete', path: '/spots/:spot', needs: 'place', at: { spot: 'params.spot' } },
  'sharedSpots.list': { method: 'get', path: '/shared-spots', needs: 'see', at: { site: 'query.site' } },
  'sharedSpots.create': {
    method: 'post',
    path: '/shared-spots',
    needs: 'place',
    at: { sharedSpot: 'body.key' },
  },
  'sharedSpots.read': {
    method: 'get',
    path: '/shared-spots/:shared',
    needs: 'see',
    at: { sharedSpot: 'params.shared' },
  },
  'sharedSpots.change': {
    method: 'put',
    path: '/shared-spots/:shared',
    needs: 'place',
    at: { sharedSpot: 'params.shared' },
  },
  'sharedSpots.delete': {
    method: 'delete',
    path: '/shared-spots/:shared',
    needs: 'place',
    at: { sharedSpot: 'params.shared' },
  },
  'pageSurveys.create': {
    method: 'post',
    path: '/pages/:page/surveys',
    needs: 'see',
    at: { page: 'params.page' },
  },
  'savedSearches.list': { method: 'get', path: '/saved-searches', needs: 'see', at: 'anywhere' },
  'savedSearches.read': { method: 'get', path: '/saved-searches/:search', needs: 'see', at: 'anywhere' },
  'savedSearches.save': { method: 'put', path: '/saved-searches/:search', needs: 'change' },
  'savedSearches.remove': { method: 'delete', path: '/saved-searches/:search', needs: 'change' },
  'today.read': { method: 'get', path: '/today', needs: 'see' },
  'reach.read': {
    method: 'get',
    path: '/reach',
    needs: 'see',
    at: { embed: 'query.embed', site: 'query.site' },
  },
  'placements.list': {
    method: 'get',
    path: '/placements',
    needs: 'see',
    at: { site: 'query.site', page: 'query.page' },
  },
  'placements.create': {
    method: 'post',
    path: '/placements',
    needs: 'place',
    at: { embed: 'body.embed', spot: 'body.place' },
  },
  'placements.changeMany': {
    method: 'post',
    path: '/placements/changes',
    needs: 'place',
    at: { placement: 'body.placements' },
  },
  'placements.read': {
    method: 'get',
    path: '/placements/:placement',
    needs: 'see',
    at: { placement: 'params.placement' },
  },
  'placements.change': {
    method: 'patch',
    path: '/placements/:placement',
    needs: 'place',
    at: { placement: 'params.placement' },
  },
  'placements.move': {
    method: 'post',
    path: '/placements/:placement/moves',
    needs: 'place',
    at: { placement: 'params.placement', spot: 'body.place' },
  },
  'placements.delete': {
    method: 'delete',
    path: '/placements/:placement',
    needs: 'place',
    at: { placement: 'params.placement' },
  },
  'placements.hits': {
    method: 'get',
    path: '/placements/:placement/hits',
    needs: 'see',
    at: { placement: 'params.placement' },
  },
  'placements.link': {
    method: 'post',
    path: '/placements/:placement/link',
    needs: 'paste',
    at: { placement: 'params.placement' },
  },
  'deliveries.create': {
    method: 'post',
    path: '/placements/:placement/deliveries',
    needs: 'paste',
    at: { placement: 'params.placement' },
  },
  'deliveries.list': {
    method: 'get',
    path: '/placements/:placement/deliveries',
    needs: 'see',
    at: { placement: 'params.placement' },
  },
  'placementDays.read': { method: 'get', path: '/placement-days', needs: 'see', at: { site: 'query.site' } },
  'thirdParties.read': { method: 'get', path: '/third-parties', needs: 'see', at: { site: 'query.site' } },
  'register.read': { method: 'get', path: '/register', needs: 'see' },
  'register.create': { method: 'post', path: '/register', needs: 'manage' },
  'register.table': { method: 'get', path: '/register/table', needs: 'see' },
  'providers.list': { method: 'get', path: '/providers', needs: 'see', at: 'anywhere' },
  'providers.read': { method: 'get', path: '/providers/:provider', needs: 'see', at: 'anywhere' },
  'providers.compare': { method: 'post', path: '/providers/comparisons', needs: 'see' },
  'providers.learn': { method: 'post', path: '/providers/proposals', needs: 'collect' },
  'providers.save': { method: 'put', path: '/providers/:provider', needs: 'change' },
  'providers.remove': { method: 'delete', path: '/providers/:provider', needs: 'change' },
  'rules.read': { method: 'get', path: '/rules', needs: 'see', at: 'anywhere' },
  'rules.change': { method: 'patch', path: '/rules', needs: 'change' },
  'endpoints.list': { method: 'get', path: '/oembed-endpoints', needs: 'see', at: 'anywhere' },
  'endpoints.import': { method: 'post', path: '/oembed-endpoints/imports', needs: 'change' },
  'endpoints.remove': { method: 'delete', path: '/oembed-endpoints/:endpoint', needs: 'change' },
  'findings.list': { method: 'get', path: '/findings', needs: 'see', at: { site: 'query.site' } },
  'findings.count': { method: 'get', path: '/attention', needs: 'see' },
  'findings.read': {
    method: 'get',
    path: '/findings/:finding',
    needs: 'see',
    at: { finding: 'params.finding' },
  },
  'findings.decide': {
    method: 'post',
    path: '/findings/decisions',
    needs: 'place',
    at: { finding: 'body.findings' },
  },
  'findings.register': {
    method: 'post',
    path: '/findings/:finding/registered',
    needs: 'collect',
    at: { finding: 'params.finding' },
  },
  'findings.renew': {
    method: 'post',
    path: '/findings/:finding/renewal',
    needs: 'change',
    at: { finding: 'params.finding' },
  },
  'looks.take': { method: 'post', path: '/pages/:page/looks', needs: 'check', at: { page: 'params.page' } },
  'looks.list': { method: 'get', path: '/pages/:page/looks', needs: 'see', at: { page: 'params.page' } },
  'looks.heaviest': { method: 'get', path: '/looks', needs: 'see', at: { site: 'query.site' } },
  'looks.read': { method: 'get', path: '/looks/:look', needs: 'see', at: { look: 'params.look' } },
  'looks.picture': {
    method: 'get',
    path: '/looks/:look/pictures/:picture',
    needs: 'see',
    at: { look: 'params.look' },
  },
  'inspections.create': { method: 'post', path: '/inspections', needs: 'check', at: { site: 'body.site' } },
  'inspections.list': {
    method: 'get',
    path: '/sites/:site/inspections',
    needs: 'see',
    at: { site: 'params.site' },
  },
  'inspections.read': {
    method: 'get',
    path: '/inspections/:inspection',
    needs: 'see',
    at: { inspection: 'params.inspection' },
  },
  'inspections.events': {
    method: 'get',
    path: '/inspections/:inspection/events',
    needs: 'see',
    at: { inspection: 'params.inspection' },
  },
  'inspections.losses': {
    method: 'get',
    path: '/inspections/:inspection/losses',
    needs: 'see',
    at: { inspection: 'params.inspection' },
  },
  'inspections.stop': {
    method: 'post',
    path: '/inspections/:inspection/stop',
    needs: 'check',
    at: { inspection: 'params.inspection' },
  },
  'history.ofEmbed': { method: 'get', path: '/embeds/:embed/history', needs: 'see' },
  'history.ofPage': {
    method: 'get',
    path: '/pages/:page/history',
    needs: 'see',
    at: { page: 'params.page' },
  },
  'history.ofSite': {
    method: 'get',
    path: '/sites/:site/history',
    needs: 'see',
    at: { site: 'params.site' },
  },
  'hosts.list': { method: 'get', path: '/hosts', needs: 'see' },
  'resources.list': { method: 'get', path: '/resources', needs: 'see' },
  'resources.ask': { method: 'post', path: '/resources/questions', needs: 'check' },
  'news.list': { method: 'get', path: '/news', needs: 'see', at: { site: 'query.site' } },
  'news.follow': { method: 'get', path: '/news/events', needs: 'see', at: { site: 'query.site' } },
  'news.feed': { method: 'get', path: '/news.atom', needs: 'open' },
  'channels.list': { method: 'get', path: '/channels', needs: 'manage' },
  'channels.create': { method: 'post', path: '/channels', needs: 'manage' },
  'channels.read': { method: 'get', path: '/channels/:channel', needs: 'manage' },
  'channels.change': { method: 'patch', path: '/channels/:channel', needs: 'manage' },
  'channels.renew': { method: 'post', path: '/channels/:channel/secret', needs: 'manage' },
  'channels.try': { method: 'post', path: '/channels/:channel/trials', needs: 'manage' },
  'channels.delete': { method: 'delete', path: '/channels/:channel', needs: 'manage' },
  'messages.list': { method: 'get', path: '/messages', needs: 'manage' },
  'messages.read': { method: 'get', path: '/messages/:message', needs: 'manage' },
  'messages.drop': { method: 'post', path: '/messages/dropped', needs: 'manage' },
  'messages.resend': { method: 'post', path: '/messages/resent', needs: 'manage' },
  'sweeps.create': {
    method: 'post',
    path: '/sweeps',
    needs: 'check',
    at: { site: 'body.site', page: 'body.page' },
  },
  'sweeps.list': { method: 'get', path: '/sweeps', needs: 'see' },
  'sweeps.read': { method: 'get', path: '/sweeps/:sweep', needs: 'see', at: { sweep: 'params.sweep' } },
  'sweeps.pages': {
    method: 'get',
    path: '/sweeps/:sweep/pages',
    needs: 'see',
    at: { sweep: 'params.sweep' },
  },
  'sweeps.onPage': { method: 'get', path: '/pages/:page/seen', needs: 'see', at: { page: 'params.page' } },
  'sweeps.events': {
    method: 'get',
    path: '/sweeps/:sweep/events',
    needs: 'see',
    at: { sweep: 'params.sweep' },
  },
  'sweeps.stop': {
    method: 'post',
    path: '/sweeps/:sweep/stop',
    needs: 'check',
    at: { sweep: 'params.sweep' },
  },
  'sweeps.pause': {
    method: 'post',
    path: '/sweeps/:sweep/pause',
    needs: 'check',
    at: { sweep: 'params.sweep' },
  },
  'sweeps.resume': {
    method: 'post',
    path: '/sweeps/:sweep/resume',
    needs: 'check',
    at: { sweep: 'params.sweep' },
  },
} as const satisfies Record<string, Operation>;

/** The name of an operation. */
export type RouteName = keyof typeof paths;

/** The path of an operation with its parameters filled in, below {@link apiBase}. */
export function pathOf(name: RouteName, params: Record<string, string | number> = {}): string {
  return paths[name].path.replace(/:([a-z]+)/g, (_, parameter: string) =>
    encodeURIComponent(String(params[parameter] ?? '')),
  );
}
