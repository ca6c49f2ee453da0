import type { Deps } from '../deps.ts';
import { attentionHandlers } from './resources/attention.ts';
import { auditHandlers } from './resources/audit.ts';
import { browsingHandlers } from './resources/browsing.ts';
import { changeHandlers } from './resources/changes.ts';
import { changeListHandlers } from './resources/change-lists.ts';
import { channelHandlers } from './resources/channels.ts';
import { codeHandlers } from './resources/codes.ts';
import { contactHandlers } from './resources/contacts.ts';
import { embedHandlers } from './resources/embeds.ts';
import { endpointHandlers } from './resources/endpoints.ts';
import { foundPageHandlers } from './resources/found-pages.ts';
import { harvestHandlers } from './resources/harvests.ts';
import { headHandlers } from './resources/heads.ts';
import { healthHandlers } from './resources/health.ts';
import { historyHandlers } from './resources/history.ts';
import { importHandlers } from './resources/imports.ts';
import { inspectionHandlers } from './resources/inspections.ts';
import { linkHandlers } from './resources/links.ts';
import { loadedHandlers } from './resources/loaded.ts';
import { lookHandlers } from './resources/looks.ts';
import { messageHandlers } from './resources/messages.ts';
import { newsHandlers } from './resources/news.ts';
import { pageHandlers } from './resources/pages.ts';
import { peopleHandlers } from './resources/people.ts';
import { copyHandlers } from './resources/copies.ts';
import { doctorHandlers } from './resources/doctor.ts';
import { passwordHandlers } from './resources/password.ts';
import { securityHandlers } from './resources/security.ts';
import { placementHandlers } from './resources/placements.ts';
import { planHandlers } from './resources/plans.ts';
import { presetHandlers } from './resources/presets.ts';
import { providerHandlers } from './resources/providers.ts';
import { registerHandlers } from './resources/register.ts';
import { revisionHandlers } from './resources/revisions.ts';
import { ruleHandlers } from './resources/rules.ts';
import { savedSearchHandlers } from './resources/saved-searches.ts';
import { sessionHandlers } from './resources/session.ts';
import { sharedSpotHandlers } from './resources/shared-spots.ts';
import { siteHandlers } from './resources/sites.ts';
import { spotHandlers } from './resources/spots.ts';
import { sweepHandlers } from './resources/sweeps.ts';
import { termsHandlers } from './resources/terms.ts';
import { thirdPartyHandlers } from './resources/third-parties.ts';
import { todayHandlers } from './resources/today.ts';
import { tokenHandlers } from './resources/tokens.ts';

/** What answers each operation of the interface, by its name. */
export const handlersOf = (deps: Deps) => ({
  ...healthHandlers(deps),
  ...sessionHandlers(deps),
  ...tokenHandlers(deps),
  ...peopleHandlers(deps),
  ...copyHandlers(deps),
  ...doctorHandlers(deps),
  ...passwordHandlers(deps),
  ...securityHandlers(deps),
  ...auditHandlers(deps),
  ...codeHandlers(deps),
  ...browsingHandlers(deps),
  ...contactHandlers(deps),
  ...linkHandlers(deps),
  ...embedHandlers(deps),
  ...revisionHandlers(deps),
  ...harvestHandlers(deps),
  ...changeHandlers(deps),
  ...importHandlers(deps),
  ...termsHandlers(deps),
  ...presetHandlers(deps),
  ...savedSearchHandlers(deps),
  ...providerHandlers(deps),
  ...ruleHandlers(deps),
  ...endpointHandlers(deps),
  ...siteHandlers(deps),
  ...headHandlers(deps),
  ...pageHandlers(deps),
  ...foundPageHandlers(deps),
  ...loadedHandlers(deps),
  ...lookHandlers(deps),
  ...inspectionHandlers(deps),
  ...historyHandlers(deps),
  ...spotHandlers(deps),
  ...sharedSpotHandlers(deps),
  ...placementHandlers(deps),
  ...registerHandlers(deps),
  ...thirdPartyHandlers(deps),
  ...todayHandlers(deps),
  ...changeListHandlers(deps),
  ...planHandlers(deps),
  ...sweepHandlers(deps),
  ...attentionHandlers(deps),
  ...newsHandlers(deps),
  ...channelHandlers(deps),
  ...messageHandlers(deps),
});
