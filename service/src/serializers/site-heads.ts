import { snippetText } from '@orbis/core';
import type { HeadAction, HeadDelivery, HeadThing as ShownThing, SiteHead } from '@orbis/contract';
import { digest } from '../digest.ts';
import type { IssuedHead, SiteNeed } from '../store/site-heads.ts';

/** Something that pages of a site need once, and what is to be done with it in the site’s head. */
export interface HeadThing extends SiteNeed {
  isKept: boolean;
  isRecommended: boolean;
  action: HeadAction;
  /** How many pages carry codes that rest on it, where it is not wanted any more. */
  resting: number;
}

/** What the head of a site is for. */
export interface HeadOfSite {
  /** What most pages need first. */
  things: HeadThing[];
  /** What of it belongs there now, in the order in which it works. */
  wanted: SiteNeed[];
  last: { number: number; digest: string; createdAt: Date } | null;
}

/** The head of a site, as it crosses the wire. */
export const serializeHead = (
  site: string,
  { things, wanted, last }: HeadOfSite,
  waiting: number,
): SiteHead => ({
  site,
  things: things.map((thing) => serializeThing(site, thing)),
  text: together(wanted.map(snippetText)),
  waiting,
  issued: last && { number: last.number, at: last.createdAt.toISOString() },
});

const serializeThing = (
  site: string,
  { need, runs, path, isKept, isRecommended, action, resting }: HeadThing,
): ShownThing => ({
  digest: need.digest,
  what: need.what,
  name: need.name,
  text: snippetText({ runs }),
  kept: isKept,
  recommended: isRecommended,
  action,
  pages: need.pages,
  unneededSince: need.unneededSince?.toISOString() ?? null,
  resting,
  seen:
    need.stands === 'unknown' || need.standsSince === null
      ? null
      : {
          stands: need.stands === 'yes',
          on: path === null ? null : `${site}/${path}`,
          since: need.standsSince.toISOString(),
        },
  after: need.after,
});

/** What was handed out for the head of a site, as it crosses the wire. */
export const serializeHeadDelivery = (
  site: string,
  { number, createdAt, snippets }: IssuedHead,
): HeadDelivery => {
  const texts = snippets.map(snippetText);
  return {
    site,
    number,
    text: together(texts),
    snippets: texts.map((text) => ({ digest: digest(text), text })),
    issuedAt: createdAt.toISOString(),
  };
};

const together = (texts: readonly string[]): string => texts.map((text) => text.trim()).join('\n');
