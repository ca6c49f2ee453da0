import type { Facts } from '../reason.ts';
import type { Terms } from './terms.ts';

/** What of the terms wants looking at; the sentence is made at the edge. */
export interface TermsFinding {
  rule: 'contract-over' | 'contract-ends' | 'views-used-up' | 'views-run-short';
  level: 'error' | 'warning';
  facts: Facts;
}

/** From so many days before its end on, a contract is told of. */
export const daysBeforeEnd = 30;

/** From this part of a month’s views on, a limit is told of. */
export const shareBeforeLimit = 0.8;

/** What has happened so far. */
export interface TermsStanding {
  /** How often it was shown this month. */
  views: number;
  /** As `YYYY-MM-DD`. */
  today: string;
}

/** What of some terms wants looking at, the worst first. */
export function termsFindings(terms: Terms, standing: TermsStanding): TermsFinding[] {
  const found = [ofEnd(terms, standing), ofViews(terms, standing)].filter((each) => each !== null);
  return found.sort((a, b) => (a.level === b.level ? 0 : a.level === 'error' ? -1 : 1));
}

function ofEnd({ ends }: Terms, { today }: TermsStanding): TermsFinding | null {
  if (ends === null) return null;
  const days = Math.round((Date.parse(ends) - Date.parse(today)) / 86_400_000);
  if (days < 0) return { rule: 'contract-over', level: 'error', facts: { ends, days: -days } };
  if (days <= daysBeforeEnd) return { rule: 'contract-ends', level: 'warning', facts: { ends, days } };
  return null;
}

function ofViews({ viewsAMonth: most }: Terms, { views }: TermsStanding): TermsFinding | null {
  if (most === null || views < most * shareBeforeLimit) return null;
  return views >= most
    ? { rule: 'views-used-up', level: 'error', facts: { views, most } }
    : { rule: 'views-run-short', level: 'warning', facts: { views, most } };
}
