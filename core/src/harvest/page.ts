import type { Markup } from '../text/index.ts';
import type { Level, Reading } from '../reading/reading.ts';

/** An embed that stands on a page. */
export interface HarvestedEmbed {
  /**
   * The code as it would be collected: the pieces of the page that belong to it, in the order of the page.
   */
  text: string;
  /** Where these pieces stand on the page; the first is the place itself. */
  pieces: { start: number; end: number }[];
  line: number;
  column: number;
  /** The heading that it follows, and its rank (1 to 6); null where it stands before any. */
  heading: { text: string; rank: number } | null;
  /** What it could be called. */
  name: string;
  /** Whether it shows a file or a page of the site's own, and nothing of anybody else's. */
  isOwn: boolean;
  /** How many other embeds of the page are filled by a script that is in its code as well. */
  sharesWith: number;
  /** The mark of a placed code, where it carries one. */
  mark: string | null;
  reading: Reading;
}

/** Something wrong on a page as a whole. */
export interface PageFact {
  rule: string;
  level: Level;
  start: number;
  end: number;
  line: number;
  column: number;
  facts: Record<string, string | number | boolean | null>;
}

/** A page that was read for its embeds. */
export interface PageHarvest {
  /** The page's own title; null where it has none. */
  title: string | null;
  /** In the order of the page. */
  embeds: HarvestedEmbed[];
  findings: PageFact[];
}

/** What rules on a page look at. */
export interface ReadPage {
  text: string;
  markup: Markup;
  /** The host that the page is served from; null where nobody told. */
  host: string | null;
  embeds: readonly HarvestedEmbed[];
  /** The embed in one of whose pieces a place is; undefined where it is in none. */
  embedAt: (offset: number) => HarvestedEmbed | undefined;
}

/** Answers which embed holds a place, of many places in turn. */
export function embedsByPlace(embeds: readonly HarvestedEmbed[]): ReadPage['embedAt'] {
  const pieces = embeds
    .flatMap((embed) => embed.pieces.map((piece) => ({ ...piece, embed })))
    .sort((a, b) => a.start - b.start);
  return (offset) => {
    let low = 0;
    let high = pieces.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (pieces[middle]!.start <= offset) low = middle;
      else high = middle - 1;
    }
    const found = pieces[low];
    return found && found.start <= offset && offset < found.end ? found.embed : undefined;
  };
}
