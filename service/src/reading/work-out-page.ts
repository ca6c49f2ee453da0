import {
  openCode,
  planPage,
  type Carried,
  type LeavingPlacement,
  type LevelledOptions,
  type Mark,
  type PagePlan,
  type PlannedSite,
  type Sheet,
  type SpotRoom,
} from '@orbis/core';
import { digest } from '../digest.ts';

/** A page that is kept, and what is to be planned of it. */
export interface PageTask {
  placements: readonly {
    id: string;
    place: string;
    name: string;
    base: string;
    length: number | null;
    asked: LevelledOptions;
    mark: Mark | null;
    room?: SpotRoom;
    carried?: Carried | null;
  }[];
  leaving: readonly LeavingPlacement[];
  site: PlannedSite;
  sheets: readonly Sheet[];
}

/** Reads the codes of a page and plans it. */
export function workOutPage({ placements, leaving, site, sheets }: PageTask): PagePlan {
  const opened = placements.map(({ base, length, ...placement }) => ({
    ...placement,
    code: openCode(base, { sheets, length }),
  }));
  return planPage(opened, site, digest, leaving);
}
