import type { Code } from '../../code.ts';
import type { OptionContext } from '../../options/option.ts';
import { escapeAttribute, escapeText } from '../../text/index.ts';
import { pastedIn } from '../../visitors/words.ts';
import { contentOf, providerOf } from '../beside/content.ts';
import type { OptionValue } from '../../options/values.ts';
import { laidStyle } from '../declarations.ts';
import { stillsBeside } from './stills-beside.ts';
import type { WaitsFor } from './waits.ts';

/* Dark enough for white words on any picture (WCAG 2.2, success criterion 1.4.3). */
const dark = '#1d2723';

/**
 * What stands in the place of a code that waits: its still picture, a button over all of it, and a link to
 * the content where scripts are off.
 */
export function standIn(code: Code, waiting: WaitsFor, { options, page }: OptionContext): string {
  const still = options['still'] as string | undefined;
  const content = contentOf(code);
  const words = pastedIn(page.language);
  const link = content
    ? `<noscript><a href="${escapeAttribute(content.address)}" style="${laidStyle};${label}">${escapeText(words.open(content.provider))}</a></noscript>`
    : '';
  return `${still === undefined ? '' : picture(still, options['still-also'])}${waiting === 'near' ? '' : button(code, { options, page })}${link}`;
}

function picture(address: string, also: OptionValue | undefined): string {
  const image = `<img src="${escapeAttribute(address)}" alt="" loading="lazy" style="${laidStyle};object-fit:cover">`;
  const others = stillsBeside(address, also).map(
    (other) => `<source type="${other.type}" srcset="${escapeAttribute(other.address)}">`,
  );
  return others.length === 0 ? image : `<picture>${others.join('')}${image}</picture>`;
}

const label = `display:flex;align-items:center;justify-content:center;background:${dark};color:#fff`;

function button(code: Code, { options, page }: Pick<OptionContext, 'options' | 'page'>): string {
  const words = pastedIn(page.language);
  const says =
    (options['load-words'] as string | undefined) ?? words.show[code.reading.kind] ?? words.show.unknown;
  const back = options['still'] === undefined ? dark : 'none';
  return (
    `<button type="button" style="${laidStyle};margin:0;padding:0;border:0;border-radius:0;background:${back};font:inherit;cursor:pointer;outline-offset:-4px">` +
    `<span style="display:inline-block;max-width:90%;padding:.7em 1.1em;border:1px solid;border-radius:.4em;background:${dark};color:#fff">` +
    `${escapeText(says)}<br><small>${escapeText(words.sees(providerOf(code)))}</small></span></button>`
  );
}
