import type { Facts } from '../reason.ts';

/** Something wrong with a page as it is planned; the sentence is made at the edge. */
export interface PlanFinding {
  rule:
    | 'claims-collide'
    | 'kept-apart'
    | 'brought-twice'
    | 'pop-ups-together'
    | 'too-wide'
    | 'too-high'
    | 'file-taken'
    | 'not-carried'
    | 'editor-form'
    | 'editor-takes-out'
    | 'editor-fixes-height'
    | 'editor-lets-nothing-through'
    | 'too-many-hosts'
    | 'too-many-scripts'
    | 'too-heavy'
    | 'not-weighed'
    | 'site-head-too-early';
  level: 'error' | 'warning' | 'note';
  facts: Facts;
  /** The placements that it is about. */
  placements: string[];
}
