import { harvest } from '../harvest/index.ts';
import type { Kind } from '../reading/reading.ts';
import type { PageSeen, Span } from './scan-page.ts';

/** An embed on a page that the register did not expect there. */
export interface OtherEmbed {
  /** As it would be collected. */
  text: string;
  /** What it could be called. */
  name: string;
  kind: Kind;
  hosts: string[];
  line: number;
  /** The mark that it carries, as written; null for none. */
  mark: string | null;
}

/** Something that is wrong on a page as a whole, between embeds of which one is none of the register’s. */
export interface PageTrouble {
  rule: string;
  level: 'error' | 'warning' | 'note';
  line: number;
  facts: Record<string, string | number | boolean | null>;
}

/** What else is on a page. */
export interface Others {
  embeds: OtherEmbed[];
  troubles: PageTrouble[];
}

/* So many of a page are told. */
const most = 50;

/**
 * What is on a page beside what the register expects there. A page on which nothing is suspect is not read
 * for it.
 * @param known where what is expected stands.
 * @param address of the page: what comes from its host is its own.
 */
export function othersOn(
  html: string,
  { suspects }: Pick<PageSeen, 'suspects'>,
  { known, address }: { known: readonly Span[]; address: string },
): Others {
  const isKnown = within(known);
  if (suspects.every(isKnown)) return { embeds: [], troubles: [] };
  // Without sheets: what something is called is read anew when it is collected.
  const { embeds, findings } = harvest(html, { sheets: [], address });
  return {
    embeds: embeds
      .filter(({ isOwn, pieces }) => !isOwn && !isKnown(pieces[0]!))
      .slice(0, most)
      .map(({ text, name, reading, line, mark }) => ({
        ...{ text, name, line, mark, kind: reading.kind },
        hosts: reading.hosts.map(({ host }) => host).slice(0, most),
      })),
    troubles: findings
      .filter((found) => !isKnown(found))
      .slice(0, most)
      .map(({ rule, level, line, facts }) => ({ rule, level, line, facts })),
  };
}

/* Whether a stretch of the page touches one of these. */
function within(spans: readonly Span[]): (stretch: Span) => boolean {
  const sorted = [...spans].sort((a, b) => a.start - b.start);
  return ({ start, end }) => sorted.some((span) => span.start < end && start < span.end);
}
