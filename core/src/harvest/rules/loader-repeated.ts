import { attribute } from '../../text/index.ts';
import { carriesOwnNumber } from '../../reading/parts.ts';
import type { HarvestedEmbed } from '../page.ts';
import type { PageRule } from './rule.ts';

export const rule: PageRule = {
  id: 'loader-repeated',
  level: 'warning',
  source: 'HTML, section 4.12.1 (each script element runs once; a second one runs the same program again)',
  check: ({ markup, embedAt }) => {
    const times = new Map<string, number>();
    const found: ReturnType<PageRule['check']> = [];
    for (const element of markup.elements) {
      const embed = element.name === 'script' ? embedAt(element.start) : undefined;
      if (!embed) continue;
      const address = attribute(element, 'src')?.trim();
      // A script that carries this embed's own number, or writes where it stands, is
      // meant once at every place.
      const waits =
        !element.attributes.has('async') &&
        !element.attributes.has('defer') &&
        attribute(element, 'type') !== 'module';
      if (!address || carriesOwnNumber(element) || (waits && standsAlone(embed))) continue;
      const known = (times.get(address) ?? 0) + 1;
      times.set(address, known);
      if (known > 1)
        found.push({ start: element.start, end: element.end, facts: { url: address, times: known } });
    }
    // Each address is told once, at its last place, with how often it is there.
    return found.filter(({ facts }) => facts['times'] === times.get(String(facts['url'])));
  },
};

/* An embed that is nothing but this script: it shows something where it stands. */
const standsAlone = ({ reading: { parts } }: HarvestedEmbed): boolean =>
  parts.every(({ role }) => !['mount', 'frame', 'media', 'form'].includes(role));
