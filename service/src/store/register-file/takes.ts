import type { RecordType } from '@orbis/contract';
import { takeEndpoints, takePresets, takeRules, takeSearches } from './take-asked.ts';
import { takeChangeListPages, takeChangeLists } from './take-change-lists.ts';
import { takeEmbeds, takeRevisions, takeSources } from './take-collection.ts';
import { takeHeadDeliveries, takeNeeds } from './take-heads.ts';
import { takeDeliveries, takePlacements } from './take-placements.ts';
import { takePages, takeSharedSpots, takeSites, takeSpots } from './take-places.ts';
import { takeTerms } from './take-terms.ts';
import type { Take } from './take.ts';

/** How records of each kind are written down; sheets are not among them, as a worker reads them before. */
export const takes: { [T in Exclude<RecordType, 'register' | 'sheet' | 'end'>]: Take<T> } = {
  rules: takeRules,
  endpoint: takeEndpoints,
  preset: takePresets,
  search: takeSearches,
  site: takeSites,
  sharedSpot: takeSharedSpots,
  page: takePages,
  spot: takeSpots,
  embed: takeEmbeds,
  source: takeSources,
  revision: takeRevisions,
  terms: takeTerms,
  placement: takePlacements,
  delivery: takeDeliveries,
  need: takeNeeds,
  headDelivery: takeHeadDeliveries,
  changeList: takeChangeLists,
  changeListPage: takeChangeListPages,
};
