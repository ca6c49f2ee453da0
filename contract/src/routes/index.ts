import { attentionRoutes } from './attention.ts';
import { auditRoutes } from './audit.ts';
import { browsingRoutes } from './browsing.ts';
import { changeListRoutes } from './change-lists.ts';
import { copyRoutes } from './copies.ts';
import { contactRoutes } from './contacts.ts';
import { doctorRoutes } from './doctor.ts';
import { embedRoutes } from './embeds.ts';
import { endpointRoutes } from './endpoints.ts';
import { foundPageRoutes } from './found-pages.ts';
import { groupRoutes } from './groups.ts';
import { harvestRoutes } from './harvests.ts';
import { headRoutes } from './heads.ts';
import { loadedRoutes } from './loaded.ts';
import { historyRoutes } from './history.ts';
import { inspectionRoutes } from './inspections.ts';
import { lookRoutes } from './looks.ts';
import { newsRoutes } from './news.ts';
import { peopleRoutes } from './people.ts';
import { placeRoutes } from './places.ts';
import { planRoutes } from './plans.ts';
import { providerRoutes } from './providers.ts';
import { registerRoutes } from './register.ts';
import { savedSearchRoutes } from './saved-searches.ts';
import { securityRoutes } from './security.ts';
import { sessionRoutes } from './session.ts';
import { sharedSpotRoutes } from './shared-spots.ts';
import { spotRoutes } from './spots.ts';
import { sweepRoutes } from './sweeps.ts';
import { thirdPartyRoutes } from './third-parties.ts';
import { termsRoutes } from './terms.ts';
import { todayRoutes } from './today.ts';
import type { RouteName } from './paths.ts';
import type { Route } from './route.ts';

/** Every operation of the interface, by its name. */
export const routes = {
  ...sessionRoutes,
  ...doctorRoutes,
  ...securityRoutes,
  ...peopleRoutes,
  ...auditRoutes,
  ...copyRoutes,
  ...embedRoutes,
  ...browsingRoutes,
  ...contactRoutes,
  ...groupRoutes,
  ...changeListRoutes,
  ...harvestRoutes,
  ...placeRoutes,
  ...spotRoutes,
  ...sharedSpotRoutes,
  ...planRoutes,
  ...headRoutes,
  ...foundPageRoutes,
  ...registerRoutes,
  ...savedSearchRoutes,
  ...thirdPartyRoutes,
  ...termsRoutes,
  ...todayRoutes,
  ...providerRoutes,
  ...endpointRoutes,
  ...sweepRoutes,
  ...attentionRoutes,
  ...loadedRoutes,
  ...lookRoutes,
  ...inspectionRoutes,
  ...historyRoutes,
  ...newsRoutes,
} satisfies Record<RouteName, Route>;
export type Routes = typeof routes;

export { apiBase, pathOf, type At, type Operation, type RouteName } from './paths.ts';

export type { AskEvent } from './loaded.ts';
export type { LookEvent } from './looks.ts';
export type { ImportEvent } from './groups.ts';
export type { FoundPage, FoundPages, PageSearchEvent } from './found-pages.ts';
export type { EndpointImport, OembedEndpointRow } from './endpoints.ts';
export { usualMost } from './route.ts';
export type { AnswerOf, BodyInput, BodyOf, ParamsOf, QueryInput, QueryOf, Route } from './route.ts';
