import { addressSeams, changeAddress, oneSentence, parseAddress, setAttribute, smallestChange, type Edit, type MarkupElement, type ParameterChange } from '../text/index.ts';
import type { Code, WishProblem } from '../code.ts';
import type { ReadAddress } from '../reading/reading.ts';
import type { SettingPlace, Sheet, SwitchValue } from '../sheets/sheet.ts';
import { settings as definitions } from './all.ts';
import type { SettingDefinition, SettingName, Settings } from './setting.ts';
import { clipIn, switchIn } from './stored.ts';
import { sayTime, writeTime } from './time.ts';

/** What adjusting comes to: the edits, or what stands against the wishes (then no edit is given at all). */
export interface Adjustment {
  edits: Edit[];
  problems: WishProblem[];
  /** Wishes that another wish brought with it, with the reason. */
  brought: { wish: SettingName; by: SettingName; reason: string }[];
}

/**
 * Turns wishes into edits of the code. Parameters of one address make one composed edit, in the order of the sheet.
 * No wish makes no edit; a wish that the code already fulfils makes none.
 */
export function adjust(code: Code, wishes: Settings): Adjustment {
  const wished = definitions.filter((d) => wishes[d.name] !== undefined);
  if (wished.length === 0) return { edits: [], problems: [], brought: [] };
  const none = (problems: WishProblem[]): Adjustment => ({ edits: [], problems, brought: [] });
  const { sheet } = code;
  const address = code.reading.addresses.find((a) => a.use === 'frame');
  if (!sheet || !address) return none(wished.map((d) => ({ wish: d.name, code: 'no-sheet', facts: { setting: d.name } })));
  const unknown = wished.filter((d) => !sheet.settings[d.name]);
  if (unknown.length > 0) return none(unknown.map((d) => ({ wish: d.name, code: 'setting-not-offered', facts: { setting: d.name, provider: sheet.name } })));

  const brought: Adjustment['brought'] = [];
  const effective: Settings = { ...wishes };
  if (wishes.autoplay && wishes.muted === undefined && sheet.settings.muted) {
    effective.muted = true;
    brought.push({ wish: 'muted', by: 'autoplay', reason: 'browsers let a video play by itself only without sound' });
  }
  const problems = contradictions(effective, address, sheet);
  if (problems.length > 0) return none(problems);
  const element = code.markup.elements.find((e) => e.startTagEnd > address.start && e.start < address.start);
  return { edits: [...addressEdit(code, address, sheet, effective, brought), ...attributeEdits(code, element, sheet, effective, brought)], problems, brought };
}

function contradictions(wishes: Settings, address: ReadAddress, sheet: Sheet): WishProblem[] {
  const now = clipIn(address, sheet);
  const [start, end] = [wishes.start ?? now.start, wishes.end ?? now.end];
  const out: WishProblem[] = [];
  if (start !== null && end !== null && end <= start && (wishes.start !== undefined || wishes.end !== undefined)) {
    out.push({ wish: 'end', code: 'clip-order', facts: { start: sayTime(start), end: sayTime(end) } });
  }
  const plays = wishes.autoplay ?? switchIn(address, sheet, 'autoplay');
  if (plays && wishes.muted === false) out.push({ wish: 'muted', code: 'sound-autoplay', facts: {} });
  return out;
}

interface Written {
  definition: SettingDefinition;
  written: SwitchValue;
  place: SettingPlace;
}

/* In the order of the sheet, so that the outcome does not depend on the order in which wishes were said. */
function wanted(sheet: Sheet, wishes: Settings): Written[] {
  return (Object.keys(sheet.settings) as SettingName[]).flatMap((name): Written[] => {
    const definition = definitions.find((d) => d.name === name);
    const value = wishes[name];
    const rule = sheet.settings[name];
    if (!definition || value === undefined || !rule) return [];
    if ('format' in rule) return [{ definition, written: writeTime(value as number, rule.format), place: rule }];
    return [{ definition, written: value ? rule.on : rule.off, place: rule }];
  });
}

function addressEdit(code: Code, address: ReadAddress, sheet: Sheet, wishes: Settings, brought: Adjustment['brought']): Edit[] {
  const raw = code.text.slice(address.start, address.end);
  const wishNames: string[] = [];
  const reasons: string[] = [];
  let now = parseAddress(raw);
  for (const { definition, written, place } of wanted(sheet, wishes)) {
    if (place.in === 'attribute') continue;
    const change: ParameterChange = { in: place.in, name: place.name, value: written === true ? '' : written, bare: written === true };
    const after = changeAddress(now, [change]);
    if (after === now.raw) continue;
    wishNames.push(definition.name);
    reasons.push(reasonFor(definition, wishes, brought, how(sheet, change)));
    now = { ...parseAddress(after), joint: now.joint };
  }
  const change = smallestChange(code.text, address.start, address.end, now.raw, addressSeams);
  return change ? [{ ...change, stage: 'settings', wishes: wishNames, reason: oneSentence(reasons) }] : [];
}

function attributeEdits(code: Code, element: MarkupElement | undefined, sheet: Sheet, wishes: Settings, brought: Adjustment['brought']): Edit[] {
  if (!element) return [];
  return wanted(sheet, wishes).flatMap(({ definition, written, place }) => {
    if (place.in !== 'attribute') return [];
    const change = setAttribute(code.text, element, place.name, written === true ? '' : written);
    if (!change) return [];
    const where = written === null ? `the attribute ${place.name} is taken out` : `the attribute ${place.name}, as ${sheet.name} takes it`;
    return [{ ...change, stage: 'settings' as const, wishes: [definition.name], reason: `${reasonFor(definition, wishes, brought, where)}.` }];
  });
}

const how = (sheet: Sheet, { name, value, bare }: ParameterChange): string =>
  value === null ? `${name} is taken out of the address` : `${bare ? name : `${name}=${value}`} in the address, as ${sheet.name} takes it`;

function reasonFor(definition: SettingDefinition, wishes: Settings, brought: Adjustment['brought'], where: string): string {
  const value = wishes[definition.name];
  const said = definition.type === 'time' ? definition.because(value as number) : definition.because(value as boolean);
  const why = brought.find((b) => b.wish === definition.name);
  return why ? `${said}, because ${why.reason} (${where})` : `${said} (${where})`;
}
