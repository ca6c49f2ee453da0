import type { Facts } from '../reason.ts';

/** Something wrong with a page as it is planned; the sentence is made at the edge. */
export interface PlanFinding {
  rule: 'claims-collide' | 'file-taken' | 'not-carried';
  level: 'error' | 'warning';
  facts: Facts;
  /** The placements that it is about. */
  placements: string[];
}
