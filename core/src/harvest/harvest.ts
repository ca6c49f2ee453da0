import { attribute, parseMarkup, positionsIn, type MarkupElement } from '../text/index.ts';
import { excessIn, findExcess, type Excess } from '../reading/limits.ts';
import { read, type ReadingContext } from '../reading/read.ts';
import type { Reading } from '../reading/reading.ts';
import { foreignTo, hostOfPage, type IsForeign } from './foreign.ts';
import { headingBefore, headingsOf, wordsIn } from './headings.ts';
import { embedsByPlace, type HarvestedEmbed, type PageHarvest, type ReadPage } from './page.ts';
import { regionsOf, type Region } from './regions.ts';
import { pageRules } from './rules/index.ts';

/** What is known of a page beside its text. */
export interface HarvestContext extends ReadingContext {
  /** Where it was read; null for a saved page. */
  address?: string | null;
}

/**
 * Finds every embed on a whole page: frames, players and forms of others, places that others' scripts fill,
 * and scripts of others that show something by themselves. What the page shows of its own is left alone. A
 * page beyond the limits of what is read has the one finding `too-much`.
 */
export function harvest(text: string, context: HarvestContext): PageHarvest {
  const excess = findExcess(text);
  const markup = parseMarkup(excess ? '' : text);
  const tooMuch = excess ?? excessIn(markup);
  const position = positionsIn(text);
  if (tooMuch) return refused(tooMuch, text);
  const host = hostOfPage(markup, context.address ?? null);
  const isForeign = foreignTo(host);
  const regions = regionsOf(markup, isForeign);
  const sharing = sharingIn(regions);
  const headings = headingsOf(markup);
  const title = markup.elements.find((e) => e.name === 'title' && e.parent?.name !== 'svg');
  const embeds = regions.map(({ pieces, element }): HarvestedEmbed => {
    const code = pieces.map(({ start, end }) => text.slice(start, end)).join('\n');
    const reading = read(code, context);
    const heading = headingBefore(headings, pieces[0]!.start);
    return {
      text: code,
      pieces,
      ...position(pieces[0]!.start),
      heading,
      name: nameFor(element, heading, reading),
      isOwn: isOwn(element, reading, isForeign),
      sharesWith: sharing(pieces),
      mark: reading.mark,
      reading,
    };
  });
  const page: ReadPage = { text, markup, host, embeds, embedAt: embedsByPlace(embeds) };
  const findings = pageRules.flatMap((rule) =>
    rule.check(page).map(({ start, end, facts }) => ({
      rule: rule.id,
      level: rule.level,
      start,
      end,
      ...position(start),
      facts,
    })),
  );
  return {
    title: title ? wordsIn(title).slice(0, 200) || null : null,
    embeds,
    findings: findings.sort((a, b) => a.start - b.start),
  };
}

function refused({ what, most, found, offset }: Excess, text: string): PageHarvest {
  const start = Math.min(offset, text.length);
  const facts = { what, most, found, offset };
  const place = { start, end: text.length, ...positionsIn(text)(start) };
  return { title: null, embeds: [], findings: [{ rule: 'too-much', level: 'error', ...place, facts }] };
}

/* A frame or a player of the site's own files, with nobody else's in it. */
const isOwn = ({ name }: MarkupElement, { addresses, hosts }: Reading, isForeign: IsForeign): boolean =>
  ['iframe', 'video', 'audio'].includes(name) &&
  addresses.some(({ use }) => use === 'frame' || use === 'media') &&
  !addresses.some(({ url }) => isForeign(url)) &&
  !hosts.some(({ host }) => isForeign(`https://${host}/`));

/* How many other regions have a piece of the page that one has too: pieces that overlap, in their order. */
function sharingIn(regions: readonly Region[]): (pieces: Region['pieces']) => number {
  const pieces = regions
    .flatMap((region) => region.pieces.map((piece) => ({ piece, region })))
    .sort((a, b) => a.piece.start - b.piece.start);
  const sharers = new Map<Region['pieces'][number], Set<Region>>();
  let [group, end] = [new Set<Region>(), -1];
  for (const { piece, region } of pieces) {
    if (piece.start >= end) group = new Set();
    group.add(region);
    end = Math.max(end, piece.end);
    sharers.set(piece, group);
  }
  return (of) => Math.max(...of.map((piece) => sharers.get(piece)!.size - 1));
}

/* What the owner would call it: the name that the code gives it, else the heading that it stands under, else
   what it is and whose. */
function nameFor(
  element: MarkupElement,
  heading: HarvestedEmbed['heading'],
  { kind, provider, hosts }: Reading,
): string {
  const own = (attribute(element, 'title') ?? attribute(element, 'aria-label') ?? '')
    .replace(/[\p{Cc}\s]+/gu, ' ')
    .trim();
  if (own !== '') return own.slice(0, 120);
  const what = kind === 'unknown' ? 'Embed' : kind.charAt(0).toUpperCase() + kind.slice(1);
  if (heading) return `${heading.text.slice(0, 100)} (${kind === 'unknown' ? 'embed' : kind})`;
  const whose = provider?.name ?? hosts[0]?.host;
  return whose ? `${what} from ${whose}`.slice(0, 120) : what;
}
