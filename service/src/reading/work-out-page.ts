import {
  openCode,
  planPage,
  type BlockStands,
  type Carried,
  type LeavingPlacement,
  type LevelledOptions,
  type Mark,
  type PagePlan,
  type PlannedPlacement,
  type PlannedSite,
  type Sheet,
  type SpotRoom,
} from '@orbis/core';
import { digest } from '../digest.ts';

/** A placement with the code that is kept of it. */
export interface KeptPlacement {
  id: string;
  place: string;
  name: string;
  base: string;
  length: number | null;
  asked: LevelledOptions;
  mark: Mark | null;
  bytes: number | null;
  room?: SpotRoom;
  carried?: Carried | null;
}

/** A page that is kept, and what is to be planned of it. */
export interface PageTask {
  placements: readonly KeptPlacement[];
  leaving: readonly LeavingPlacement[];
  /** What the page shows around its own content. */
  blocks: readonly { stands: BlockStands; placements: readonly KeptPlacement[] }[];
  site: PlannedSite;
  sheets: readonly Sheet[];
}

/** Reads the codes of a page and plans it. */
export function workOutPage({ placements, leaving, blocks, site, sheets }: PageTask): PagePlan {
  const open = ({ base, length, ...placement }: KeptPlacement): PlannedPlacement => ({
    ...placement,
    code: openCode(base, { sheets, length }),
  });
  const around = blocks.map(({ stands, placements: inIt }) => ({ stands, placements: inIt.map(open) }));
  return planPage(placements.map(open), site, digest, leaving, around);
}
