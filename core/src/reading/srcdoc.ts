import { attribute, parseMarkup, type Markup } from '../text/index.ts';
import { hostsOf, readAddresses } from './addresses.ts';
import { findExcess } from './limits.ts';
import { readInner } from './inner.ts';
import { needsOf } from './needs.ts';
import { readParts } from './parts.ts';
import type { Needs, Reading } from './reading.ts';

/* Documents within documents: each level is escaped once more, so that deep ones are long. */
const deepest = 3;

/**
 * Adds what the documents in `srcdoc` attributes contact and need (HTML, section 4.8.5): they run as soon as
 * the frame is shown, though their text is no markup of the code's own.
 */
export function addFrameDocuments(reading: Reading, markup: Markup, depth = 1): void {
  for (const frame of markup.elements) {
    if (frame.name !== 'iframe') continue;
    const text = attribute(frame, 'srcdoc');
    if (!text || findExcess(text)) continue;
    const shown = parseMarkup(text);
    if (shown.tooDeepAt !== null) continue;
    const inner = readInner(shown);
    for (const contact of hostsOf(readAddresses(shown, readParts(shown)), inner.scripts, inner.styles)) {
      const known = reading.hosts.find(({ host }) => host === contact.host);
      if (!known) reading.hosts.push(contact);
      else {
        known.uses.push(...contact.uses.filter((use) => !known.uses.includes(use)));
        if (contact.when === 'load') known.when = 'load';
      }
    }
    const needs = needsOf(shown, inner.scripts, null);
    for (const name of Object.keys(needs) as (keyof Needs)[]) reading.needs[name] ||= needs[name];
    if (depth < deepest) addFrameDocuments(reading, shown, depth + 1);
  }
}
