import {
  changeAddress,
  changeJson,
  innerText,
  parseAddress,
  parseMarkup,
  setAttribute,
  setRawAttribute,
  type MarkupElement,
} from '../text/index.ts';
import type { Role } from '../reading/reading.ts';
import { changeOptions } from '../reading/scripts/index.ts';
import type { SettingPlace } from '../sheets/sheet.ts';
import { cut } from './cut.ts';
import { labelsOf, openSample, type Place, type Sample } from './sample.ts';

/** The parts of a code as a sheet makes them of an id alone: those of a sample without its settings. */
export function learnParts(
  sample: Sample,
  {
    settings,
    items,
    index,
    places,
    hosts,
    name,
  }: {
    settings: readonly SettingPlace[];
    items: readonly string[];
    index: number;
    places: readonly Place[];
    hosts: ReadonlySet<string>;
    name: string;
  },
): { role: Role; html: string }[] {
  const plain = settings.reduce((text, at) => withoutSetting(text, sample, at), sample.text);
  const { code } = openSample(plain, 1);
  const own = items[index]!;
  const written = new Map<string, { before: string; behind: string }>();
  // Where all samples show one item, a part of a value that looks like its id may be chance: only what is the
  // id itself counts.
  const varied = new Set(items).size > 1;
  for (const { spot, values } of places) {
    const value = values[index];
    const at = value?.indexOf(own) ?? -1;
    if (!value || at < 0 || (!varied && value !== own)) continue;
    const [before, behind] = [value.slice(0, at), value.slice(at + own.length)];
    if (values.every((other, i) => other === null || other === before + items[i]! + behind))
      written.set(spot.key, { before, behind });
  }
  const differ = new Set(
    places
      .filter(({ values }) => new Set(values.filter((value) => value !== null)).size > 1)
      .map(({ spot }) => spot.key),
  );
  const pieces = cut(plain).pieces;
  const within = (start: number, end: number): string => {
    let at = 0;
    let html = '';
    for (const piece of pieces) {
      const from = at;
      at += piece.text.length;
      if (from < start || at > end) continue;
      const around = piece.spot && written.get(piece.spot.key);
      if (around) html += around.before + '{id}' + around.behind;
      else if (piece.spot?.in === 'scheme' && piece.text !== '') html += '{scheme}:';
      else if (piece.spot?.in === 'host' && hosts.has(piece.value.replace(/:\d+$/, '')))
        html += `${piece.value.replace(/:\d+$/, '')}{+port}`;
      // What a sample says of its own item says nothing of another one.
      else if (piece.spot?.in === 'text' && differ.has(piece.spot.key)) html += name;
      else html += piece.text;
    }
    return html;
  };
  return code.reading.parts.flatMap(({ role, start, end, inside }) =>
    inside !== null || role === 'text' || role === 'comment' ? [] : [{ role, html: within(start, end) }],
  );
}

/* A code without one of its settings. */
function withoutSetting(text: string, { mount }: Sample, at: SettingPlace): string {
  const markup = parseMarkup(text);
  const labels = labelsOf(markup.elements);
  const element = markup.elements.find((node) => labels.get(node) === mount?.element);
  if (at.in === 'attribute') return element ? put(text, setAttribute(text, element, at.name, null)) : text;
  if (at.in === 'json') {
    const held = element?.attributes.get(at.attribute!);
    const raw = held && changeJson(text.slice(held.valueStart, held.valueEnd), at.name.split('.'), null);
    return raw && element ? put(text, setRawAttribute(text, element, at.attribute!, raw)) : text;
  }
  if (at.in === 'option') {
    for (const node of markup.elements.filter((one) => one.name === 'script' && !one.attributes.has('src'))) {
      const changed = changeOptions(innerText(text, node), at.call!, at.name.split('.'), null);
      if (changed !== null)
        return text.slice(0, node.startTagEnd) + changed + text.slice(node.endTagStart ?? node.end);
    }
    return text;
  }
  return markup.elements
    .filter(({ name }) => name === 'script')
    .reduceRight((now, node) => withoutParameter(now, node, at), text);
}

function withoutParameter(text: string, node: MarkupElement, at: SettingPlace): string {
  const found = node.attributes.get('src');
  if (!found || (at.in !== 'query' && at.in !== 'fragment')) return text;
  const raw = changeAddress(parseAddress(text.slice(found.valueStart, found.valueEnd)), [
    { in: at.in, name: at.name, value: null },
  ]);
  return text.slice(0, found.valueStart) + raw + text.slice(found.valueEnd);
}

const put = (text: string, edit: { start: number; end: number; text: string } | null): string =>
  edit === null ? text : text.slice(0, edit.start) + edit.text + text.slice(edit.end);
