import type { Reason } from '../reason.ts';
import { reason } from '../reason.ts';
import type { EditorRules } from '../editor/index.ts';
import { fieldFor, type FieldPosition } from './fields.ts';
import type { PlanFinding } from './plan-finding.ts';
import type { SharedPart } from './shared.ts';

/** The head of a whole site, by the digests of the texts that are meant for it. */
export interface SiteHead {
  /** What its owner wants there once for all pages. */
  kept: readonly string[];
  /** What was seen there last. */
  stands: readonly string[];
}

/** Where what a page needs once can stand apart from its places. */
export interface Heads {
  /** Whether there is a way into the head of the page. */
  page: boolean;
  /** Whether a text stands in the head of the whole site. */
  ofSite: (text: string) => boolean;
  /** The field of the editor that a text stands in, where the page’s head is none that takes it. */
  field: (text: string) => FieldPosition | null;
}

/** Whether a text stands apart from its place, before all that is at places. */
export const takes = ({ page, ofSite, field }: Heads, text: string): boolean =>
  page || ofSite(text) || field(text) !== null;

/** The heads that a site has a way into, and the fields of its editor that stand for them. */
export function headsOf(
  { head, siteHead, editor }: { head: boolean; siteHead?: SiteHead; editor?: EditorRules },
  digest: (text: string) => string,
): Heads {
  const kept = new Set(siteHead?.kept ?? []);
  return {
    page: head,
    ofSite: (text) => kept.size > 0 && kept.has(digest(text)),
    field: (text) => (head || !editor ? null : fieldFor(text, editor)),
  };
}

/** Why a text leaves its place; null where no head takes it. */
export function whyMoved(text: string, heads: Heads): Reason | null {
  if (heads.ofSite(text)) return reason('moved-to-site-head');
  if (heads.page) return reason('moved-to-head');
  return heads.field(text) === null ? null : reason('moved-to-field');
}

/**
 * What would come too early: it stands in the site’s head, and what its code brings before it does not.
 */
export const tooEarly = (
  worked: readonly { placement: { id: string; place: string }; parts: readonly SharedPart[] }[],
  { ofSite }: Pick<Heads, 'ofSite'>,
): PlanFinding[] =>
  worked.flatMap(({ placement: { id, place }, parts }) => {
    const first = parts.findIndex(({ text }) => !ofSite(text));
    return first >= 0 && parts.slice(first).some(({ text }) => ofSite(text))
      ? [{ rule: 'site-head-too-early', level: 'error', facts: { place }, placements: [id] }]
      : [];
  });
