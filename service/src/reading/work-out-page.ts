import { openCode, planPage, type LevelledOptions, type PlanFinding, type PlannedSite, type PlannedSnippet, type PlanStep, type Sheet } from '@orbis/core';
import { digest } from '../store/ids.ts';

/** A page that is kept, and what is to be planned of it. */
export interface PageTask {
  placements: readonly { id: string; place: string; base: string; length: number | null; asked: LevelledOptions; delivery: number | null }[];
  site: PlannedSite;
  sheets: readonly Sheet[];
}

/** A plan as plain data. */
export interface PageWorkedOut {
  snippets: PlannedSnippet[];
  steps: PlanStep[];
  findings: PlanFinding[];
}

/** Reads the codes of a page and plans it. */
export function workOutPage({ placements, site, sheets }: PageTask): PageWorkedOut {
  const opened = placements.map(({ base, length, ...placement }) => ({ ...placement, code: openCode(base, { sheets, length }) }));
  const { snippets, steps, findings } = planPage(opened, site, digest);
  return { snippets, steps, findings };
}
