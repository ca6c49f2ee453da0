import {
  addressSeams,
  changeAddress,
  changeHost,
  oneSentence,
  parseAddress,
  setAttribute,
  smallestChange,
  type Edit,
  type MarkupElement,
  type ParameterChange,
  type ParameterPlace,
} from '../text/index.ts';
import type { Code, WishProblem } from '../code.ts';
import { matchFrame } from '../sheets/match.ts';
import type { SettingHolder, Sheet, SheetSetting, SheetSettings } from '../sheets/sheet.ts';
import { settings as definitions } from './all.ts';
import { contradictions } from './contradictions.ts';
import { frameEdits, frameSettings } from './frame.ts';
import { holderOf, permissionsOf, type Holder } from './holders.ts';
import type { SettingDefinition, SettingName, Settings } from './setting.ts';
import { writeValue, type WrittenValue } from './write.ts';

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
  const bySheet = wished.filter((d) => !frameSettings.has(d.name));
  if (!sheet && bySheet.length > 0) return none(bySheet.map((d) => ({ wish: d.name, code: 'no-sheet', facts: { setting: d.name } })));
  const unknown = bySheet.filter((d) => ruleOf(sheet!, d.name) === undefined && !(d.name === 'privacy' && sheet!.quiet));
  if (unknown.length > 0) return none(unknown.map((d) => ({ wish: d.name, code: 'setting-not-offered', facts: { setting: d.name, provider: sheet!.name } })));

  const brought: Adjustment['brought'] = [];
  const effective: Settings = { ...wishes };
  if (wishes.autoplay && wishes.muted === undefined && sheet?.settings.muted) {
    effective.muted = true;
    brought.push({ wish: 'muted', by: 'autoplay', reason: 'browsers let a video play by itself only without sound' });
  }
  const frame = frameEdits(code, effective, brought);
  if (!sheet || bySheet.length === 0) return frame.problems.length > 0 ? none(frame.problems) : { edits: frame.edits, problems: [], brought };
  const { written, problems } = writtenFor(code, sheet, effective);
  const address = holderOf(code, sheet, 'frame')?.address ?? null;
  const against = [...problems, ...(address ? contradictions(effective, address, sheet) : []), ...frame.problems];
  if (against.length > 0) return none(against);
  return { edits: [...sheetEdits(code, sheet, written, effective, brought), ...frame.edits], problems: [], brought };
}

const ruleOf = (sheet: Sheet, name: SettingName): SheetSetting | undefined => sheet.settings[name as keyof SheetSettings];

interface Written {
  definition: SettingDefinition;
  rule: SheetSetting;
  holder: Holder;
  values: WrittenValue[];
}

/* In the order of the sheet, so that the outcome does not depend on the order in which wishes were said. */
function writtenFor(code: Code, sheet: Sheet, wishes: Settings): { written: Written[]; problems: WishProblem[] } {
  const written: Written[] = [];
  const problems: WishProblem[] = [];
  for (const name of Object.keys(sheet.settings) as SettingName[]) {
    const definition = definitions.find((d) => d.name === name);
    const [value, rule] = [wishes[name], ruleOf(sheet, name)];
    if (!definition || value === undefined || !rule) continue;
    const holder = holderOf(code, sheet, rule.of ?? 'frame');
    const writing = writeValue(definition, rule, value);
    if (!holder) problems.push({ wish: name, code: 'part-missing', facts: { setting: name, part: rule.of ?? 'frame' } });
    else if (!writing.ok) problems.push({ wish: name, code: 'value-not-offered', facts: { setting: name, provider: sheet.name, expected: writing.expected } });
    else written.push({ definition, rule, holder, values: writing.values });
  }
  if (wishes.privacy !== undefined && !holderOf(code, sheet, 'frame')) problems.push({ wish: 'privacy', code: 'part-missing', facts: { setting: 'privacy', part: 'frame' } });
  return { written, problems };
}

function sheetEdits(code: Code, sheet: Sheet, written: readonly Written[], wishes: Settings, brought: Adjustment['brought']): Edit[] {
  return (['frame', 'loader', 'mount'] as const).flatMap((of: SettingHolder) => {
    const own = written.filter(({ rule }) => (rule.of ?? 'frame') === of);
    const holder = own[0]?.holder ?? (of === 'frame' && wishes.privacy !== undefined ? holderOf(code, sheet, of) : null);
    if (!holder) return [];
    return [
      ...(holder.address ? addressEdit(code, holder, sheet, own, wishes, brought) : []),
      ...own.flatMap((item) => attributeEdits(code, item, sheet, wishes, brought)),
      ...permissionEdits(code, holder.element, own, wishes),
    ];
  });
}

function addressEdit(code: Code, { address }: Holder, sheet: Sheet, written: readonly Written[], wishes: Settings, brought: Adjustment['brought']): Edit[] {
  const { start, end, url } = address!;
  const wishNames: string[] = [];
  const reasons: string[] = [];
  let now = parseAddress(code.text.slice(start, end));
  for (const { definition, rule, values } of written) {
    if (rule.in === 'attribute') continue;
    const id = rule.beside ? (matchFrame(url, [sheet])?.id ?? '') : '';
    const beside = values.some(({ written: value }) => value !== null) ? (rule.beside ?? []).map(({ name, value }) => ({ name, written: value.replaceAll('{id}', id) })) : [];
    const changes = [...values, ...beside].map((value) => changeOf(rule.in as ParameterPlace, value));
    const after = changeAddress(now, changes);
    if (after === now.raw) continue;
    wishNames.push(definition.name);
    reasons.push(reasonFor(definition, wishes, brought, how(sheet, changes)));
    now = { ...parseAddress(after), joint: now.joint };
  }
  let { raw } = now;
  if (wishes.privacy !== undefined && sheet.quiet) {
    const { host, instead } = sheet.quiet;
    const moved = wishes.privacy ? changeHost(raw, instead, host) : changeHost(raw, host, instead);
    if (moved !== raw) {
      raw = moved;
      wishNames.push('privacy');
      reasons.push(wishes.privacy ? `Use the provider’s quieter address (${host}, which keeps nothing in the visitor’s browser)` : `Use the provider’s usual address (${instead})`);
    }
  }
  const change = smallestChange(code.text, start, end, raw, addressSeams);
  return change ? [{ ...change, stage: 'settings', wishes: wishNames, reason: oneSentence(reasons) }] : [];
}

const changeOf = (place: ParameterPlace, { name, written }: WrittenValue): ParameterChange => ({ in: place, name, value: written === true ? '' : written, bare: written === true });

function attributeEdits(code: Code, { definition, rule, holder, values }: Written, sheet: Sheet, wishes: Settings, brought: Adjustment['brought']): Edit[] {
  if (rule.in !== 'attribute') return [];
  return values.flatMap(({ name, written }) => {
    const change = setAttribute(code.text, holder.element, name, written === true ? '' : written);
    if (!change) return [];
    const where = written === null ? `the attribute ${name} is taken out` : `the attribute ${name}, as ${sheet.name} takes it`;
    return [{ ...change, stage: 'settings' as const, wishes: [definition.name], reason: `${reasonFor(definition, wishes, brought, where)}.` }];
  });
}

/* What a frame must be allowed for its wishes, added to what it is allowed already. */
function permissionEdits(code: Code, element: MarkupElement, written: readonly Written[], wishes: Settings): Edit[] {
  const now = permissionsOf(element);
  const names = new Set(now.map((part) => part.split(/\s/)[0]!.toLowerCase()));
  const needed = written.filter(({ rule, definition }) => rule.permission !== undefined && wishes[definition.name] && !names.has(rule.permission));
  if (needed.length === 0) return [];
  const tokens = [...new Set(needed.map(({ rule }) => rule.permission!))];
  const change = setAttribute(code.text, element, 'allow', [...now, ...tokens].join('; '));
  if (!change) return [];
  return [
    {
      ...change,
      stage: 'settings',
      wishes: needed.map(({ definition }) => definition.name),
      reason: `The frame is allowed ${tokens.join(' and ')}, which ${needed.map(({ definition }) => definition.name).join(' and ')} needs.`,
    },
  ];
}

const how = (sheet: Sheet, changes: readonly ParameterChange[]): string => {
  const [first] = changes;
  if (first!.value === null) return `${first!.name} is taken out of the address`;
  return `${changes.map(({ name, value, bare }) => (bare ? name : `${name}=${value}`)).join(' and ')} in the address, as ${sheet.name} takes it`;
};

function reasonFor(definition: SettingDefinition, wishes: Settings, brought: Adjustment['brought'], where: string): string {
  const said = (definition.because as (value: unknown) => string)(wishes[definition.name]);
  const why = brought.find((b) => b.wish === definition.name);
  return why ? `${said}, because ${why.reason} (${where})` : `${said} (${where})`;
}
