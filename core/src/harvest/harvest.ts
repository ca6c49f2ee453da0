import { attribute, parseMarkup, positionsIn, type MarkupElement } from '../text/index.ts';
import { excessIn, findExcess } from '../reading/limits.ts';
import { read, type ReadingContext } from '../reading/read.ts';
import type { Reading } from '../reading/reading.ts';
import { foreignTo, hostOfPage } from './foreign.ts';
import { headingBefore, headingsOf, wordsIn } from './headings.ts';
import { embedsByPlace, type HarvestedEmbed, type PageHarvest, type ReadPage } from './page.ts';
import { regionsOf } from './regions.ts';
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
  if (tooMuch) {
    const { what, most, found, offset } = tooMuch;
    const start = Math.min(offset, text.length);
    return {
      title: null,
      embeds: [],
      findings: [
        {
          rule: 'too-much',
          level: 'error',
          start,
          end: text.length,
          ...position(start),
          facts: { what, most, found, offset },
        },
      ],
    };
  }
  const host = hostOfPage(markup, context.address ?? null);
  const regions = regionsOf(markup, foreignTo(host));
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
