import { neutralMark, type PageLook } from '@orbis/core';
import { digest } from '../digest.ts';
import type { FetchFailure } from '../fetching/failure.ts';
import type { Found } from '../store/findings.ts';
import type { StoredFinding } from '../store/schema.ts';
import type { PlacementResult } from '../store/seen.ts';
import type { StrangerRow } from '../store/placements.ts';
import type { PageOfSweep } from '../store/sweeps.ts';

type OfPage = Pick<Found, 'rule' | 'level' | 'about' | 'facts'> & { code?: string };

/** What is found on a page as a whole, beside what is placed there. */
export interface FoundOnPage {
  /** As it is written down with the page. */
  findings: StoredFinding[];
  /** As it wants attention, with what was found of the placements. */
  found: Found[];
}

/* What is said where a placement is shown, and is no matter for a list of what wants doing: what will pass
   by itself, and what is told of the page or of the site instead. */
const notTold: ReadonlySet<string> = new Set(['still-cached', 'out-of-date', 'page-unreachable']);

/** All that was found on a page, on it as a whole and of what is placed there. */
export function foundOnPage(
  { page, site }: Pick<PageOfSweep, 'page' | 'site'>,
  ofPage: readonly OfPage[],
  seen: readonly PlacementResult[],
): FoundOnPage {
  const where = { siteId: site.id, pageId: page.id };
  return {
    findings: ofPage.map(({ rule, level, facts }) => ({ rule, level, facts })),
    found: [
      ...ofPage.map((each) => ({ ...each, ...where, placementId: null })),
      ...seen.flatMap(({ placementId, findings }) => {
        const told = findings.filter(({ rule }) => !notTold.has(rule));
        return told.map(({ rule, level, facts, details }, at) => ({
          ...{ rule, level, facts, details, ...where, placementId },
          about: `placement:${placementId} ${alikeBefore(told, at)}`,
        }));
      }),
    ],
  };
}

/* The same rule may find several things of one placement: they are told apart by their order. */
const alikeBefore = (all: readonly StoredFinding[], at: number): number =>
  all.slice(0, at).filter(({ rule }) => rule === all[at]!.rule).length;

/** Why a page could not be read. Where that is the same for many pages of a site, it is one finding. */
export const pageUnreachable = (
  { site }: Pick<PageOfSweep, 'site'>,
  { message, remedy }: FetchFailure,
): OfPage => ({
  rule: 'page-unreachable',
  level: 'error',
  about: `site:${site.id} ${message}`,
  facts: { why: message, remedy },
});

/** That a page is empty until its scripts have run. */
export const builtByScripts = ({ site }: Pick<PageOfSweep, 'site'>): OfPage => ({
  rule: 'built-by-scripts',
  level: 'warning',
  about: `site:${site.id}`,
  facts: { rendered: site.rendered },
});

/** Where a page leads on to, where it is not what was asked for. */
export function pageRedirects(
  { page }: Pick<PageOfSweep, 'page'>,
  asked: string,
  { url, isMoved }: { url: string; isMoved: boolean },
): OfPage[] {
  if (plain(asked) === plain(url)) return [];
  const facts = { from: asked, to: url, permanent: isMoved };
  return [{ rule: 'page-redirects', level: isMoved ? 'warning' : 'note', about: `page:${page.id}`, facts }];
}

/* A slash at the end, and what only the browser reads, make no other page. */
function plain(address: string): string {
  const { origin, pathname, search } = new URL(address);
  return `${origin}${pathname.endsWith('/') ? pathname.slice(0, -1) : pathname}${search}`;
}

/** Tells the hosts where Orbis serves frames: one for all of them, or one for each. */
export function servedHosts(placementUrl: (id: string) => string): (host: string) => boolean {
  const one = new URL(placementUrl(neutralMark.placement)).hostname;
  const each = `${neutralMark.placement}.`;
  return one.startsWith(each) ? (host) => host.endsWith(one.slice(each.length - 1)) : (host) => host === one;
}

/* As long as a code may be that is collected, in characters. */
const mostCode = 1_048_576;

/** Embeds that the register does not know: the same code on many pages of a site is one finding. */
export const unregistered = (
  { site }: Pick<PageOfSweep, 'site'>,
  { embeds }: Pick<PageLook, 'embeds'>,
  { known, isOurs }: { known: ReadonlySet<string>; isOurs: (host: string) => boolean },
): OfPage[] =>
  embeds
    .filter(({ mark }) => mark === null || !known.has(mark.split('.')[0]!))
    // What is of no host, or of Orbis, such as the specimen, is nobody else’s.
    .filter(({ hosts }) => hosts.some((host) => !isOurs(host)))
    .map(({ text, name, kind, hosts, line }) => ({
      rule: 'unregistered',
      level: 'note',
      about: `site:${site.id} ${digest(text)}`,
      facts: { name, kind, host: hosts[0] ?? '', line },
      // Longer ones cannot be collected.
      ...(text.length <= mostCode && { code: text }),
    }));

/** Codes of placements of other pages: where theirs does not have it any more, it has moved. */
export const strangers = ({ page }: Pick<PageOfSweep, 'page'>, rows: readonly StrangerRow[]): OfPage[] =>
  rows.map(({ publicId, embed, place, isThere }) => ({
    rule: isThere ? 'copied' : 'moved',
    level: 'note',
    about: `page:${page.id} placement:${publicId}`,
    facts: { placement: publicId, embed, place },
  }));

/** What is wrong between embeds of the page. */
export const troubles = (
  { page }: Pick<PageOfSweep, 'page'>,
  { troubles: all }: Pick<PageLook, 'troubles'>,
): OfPage[] =>
  all.map(({ rule, level, line, facts }) => ({
    ...{ rule, level },
    about: `page:${page.id} ${JSON.stringify(facts)}`,
    facts: { ...facts, line },
  }));

/** What stands on the page and is needed by nothing any more. */
export const leftOverOnPage = (
  { page }: Pick<PageOfSweep, 'page'>,
  all: readonly { digest: string; facts: Found['facts'] }[],
): OfPage[] =>
  all.map((each) => ({
    rule: 'head-left-over',
    level: 'note',
    about: `page:${page.id} ${each.digest}`,
    facts: each.facts,
  }));
