import {
  changeAddress,
  changeHost,
  changeJson,
  changePath,
  setAttribute,
  type Address,
  type Edit,
  type MarkupElement,
  type ParameterChange,
  type ParameterPlace,
} from '../text/index.ts';
import type { Code, WishProblem } from '../code.ts';
import { changeOptions } from '../reading/scripts/index.ts';
import { alone, matchFrame } from '../sheets/match.ts';
import type { Sheet, SheetSetting, SheetSettings, TimeSetting } from '../sheets/sheet.ts';
import { settings as definitions } from './all.ts';
import { Composition, takesMembers } from './composition.ts';
import { contradictions } from './contradictions.ts';
import { frameEdits, frameSettings } from './frame.ts';
import { handParameters } from './hand.ts';
import { holderOf, permissionsOf, type Holder } from './holders.ts';
import type { SettingDefinition, SettingName, Settings } from './setting.ts';
import { writeSpan } from './span.ts';
import { withoutTracking } from './without-tracking.ts';
import { writeValue, type WrittenValue } from './write.ts';

/** What adjusting comes to: the edits, or what stands against the wishes (then no edit is given at all). */
export interface Adjustment {
  edits: Edit[];
  problems: WishProblem[];
  /** Wishes that another wish brought with it, with the reason. */
  brought: { wish: SettingName; by: SettingName; reason: string }[];
}

/** Settings that need no sheet: every address has them. */
const ofEveryCode: ReadonlySet<SettingName> = new Set<SettingName>([...frameSettings, 'tracking']);

/**
 * Turns wishes into edits of the code. Parameters of one address make one composed edit, in the order of the sheet;
 * those set by hand come last and win. No wish makes no edit; a wish that the code already fulfils makes none.
 */
export function adjust(code: Code, wishes: Settings): Adjustment {
  const wished = definitions.filter((d) => wishes[d.name] !== undefined);
  const byHand = Object.keys(wishes.parameters ?? {}).length > 0;
  if (wished.length === 0 && !byHand) return { edits: [], problems: [], brought: [] };
  const none = (problems: WishProblem[]): Adjustment => ({ edits: [], problems, brought: [] });
  const { sheet } = code;
  const bySheet = wished.filter((d) => !ofEveryCode.has(d.name));
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
  const composition = new Composition(code);
  const problems = [...frame.problems];
  if (sheet && bySheet.length > 0) {
    const written = writtenFor(code, sheet, effective);
    problems.push(...written.problems, ...exclusions(sheet, wishes), ...contradictions(code, effective, sheet));
    if (problems.length === 0) for (const item of written.written) compose(composition, item, { code, sheet, wishes: effective, brought });
    if (problems.length === 0) quieter(composition, code, sheet, effective);
  }
  if (wishes.tracking === false) withoutTracking(composition, code);
  problems.push(...handParameters(composition, code, wishes));
  if (problems.length > 0) return none(problems);
  return { edits: [...composition.edits(), ...frame.edits], problems: [], brought };
}

const ruleOf = (sheet: Sheet, name: SettingName): SheetSetting | undefined => sheet.settings[name as keyof SheetSettings];

interface Written {
  definition: SettingDefinition;
  rule: SheetSetting;
  holder: Holder;
  values: WrittenValue[];
  /** The canonical value, for what is more than one value. */
  value: NonNullable<Settings[SettingName]>;
}

interface Context {
  code: Code;
  sheet: Sheet;
  wishes: Settings;
  brought: Adjustment['brought'];
}

/* In the order of the sheet, so that the outcome does not depend on the order in which wishes were said. */
function writtenFor(code: Code, sheet: Sheet, wishes: Settings): { written: Written[]; problems: WishProblem[] } {
  const written: Written[] = [];
  const problems: WishProblem[] = [];
  const missing = (wish: SettingName, part: string): void => void problems.push({ wish, code: 'part-missing', facts: { setting: wish, part } });
  for (const name of Object.keys(sheet.settings) as SettingName[]) {
    const definition = definitions.find((d) => d.name === name);
    const [value, rule] = [wishes[name], ruleOf(sheet, name)];
    if (!definition || value === undefined || !rule) continue;
    const holder = holderOf(code, sheet, rule);
    const writing = writeValue(definition, rule, value);
    if (!holder) missing(name, rule.of ?? 'frame');
    else if (!writing.ok) problems.push({ wish: name, code: 'value-not-offered', facts: { setting: name, provider: sheet.name, expected: writing.expected } });
    else if (rule.in === 'json' && !takesMembers(rawAttribute(code, holder.element, rule.attribute!))) missing(name, 'json');
    else written.push({ definition, rule, holder, values: writing.values, value });
  }
  if (wishes.privacy !== undefined && !holderOf(code, sheet, {})) missing('privacy', 'frame');
  return { written, problems };
}

const rawAttribute = ({ text }: Code, element: MarkupElement, name: string): string => {
  const found = element.attributes.get(name);
  return found ? text.slice(found.valueStart, found.valueEnd) : '';
};

/* Settings of which the provider obeys only one. */
function exclusions(sheet: Sheet, wishes: Settings): WishProblem[] {
  return (Object.keys(sheet.settings) as (keyof SheetSettings)[]).flatMap((name) => {
    const excluded = wishes[name] === undefined || wishes[name] === false ? [] : (sheet.settings[name]!.excludes ?? []);
    return excluded
      .filter((other) => wishes[other as SettingName] !== undefined)
      .map((other) => ({ wish: other, code: 'settings-exclude' as const, facts: { setting: other, other: name, provider: sheet.name } }));
  });
}

/* One setting, wherever this provider takes it. */
function compose(composition: Composition, item: Written, context: Context): void {
  const { definition, rule, holder, values } = item;
  const wish = definition.name;
  const because = (where: string): string => reasonFor(definition, context, where);
  const taken = context.sheet.files ? 'as browsers take it' : `as ${context.sheet.name} takes it`;
  switch (rule.in) {
    case 'query':
    case 'fragment':
      for (const address of holder.addresses) {
        const changes = parameterChanges(item, context, address.url);
        composition.address(address, {
          wish,
          reason: because(how(rule, changes, taken)),
          change: (address) => changeAddress(address, (rule as TimeSetting).span ? spanned(item, address) : changes),
        });
      }
      break;
    case 'path':
      for (const address of holder.addresses) {
        const value = values[0]!.written;
        const step = rule.piece === undefined ? { index: groupIndex(context.sheet, rule.name, address.url) } : { piece: rule.piece };
        const where = value === null ? 'its step is taken out of the path of the address' : `${String(value)} in the path of the address, ${taken}`;
        composition.address(address, { wish, reason: because(where), change: ({ raw }) => changePath(raw, step, value === null ? null : String(value)) });
      }
      break;
    case 'attribute':
      for (const { name, written } of values) {
        const where = written === null ? `the attribute ${name} is taken out` : `the attribute ${name}, ${taken}`;
        composition.attribute(holder.element, name, written === false ? 'false' : written, wish, because(where));
      }
      if (values.some(({ written }) => written !== null))
        for (const { name, value } of rule.beside ?? []) composition.attribute(holder.element, name, value === '' ? true : value, wish, because(`it needs ${name} beside it`));
      break;
    case 'json':
      for (const { name, plain } of values)
        composition.json(holder.element, rule.attribute!, {
          wish,
          reason: because(`${name} in the attribute ${rule.attribute}, ${taken}`),
          change: (raw) => changeJson(raw === '' ? '{}' : raw, name.split('.'), plain) ?? raw,
        });
      break;
    case 'option':
      for (const { name, plain } of values)
        composition.script(holder.element, {
          wish,
          reason: because(`${name} in the options of its script, ${taken}`),
          change: (text) => changeOptions(text, rule.call!, name.split('.'), plain) ?? text,
        });
      break;
  }
  permit(composition, item, context);
}

const changeOf = (place: ParameterPlace, { name, written }: Pick<WrittenValue, 'name' | 'written'>): ParameterChange => ({
  in: place,
  name,
  value: written === true ? '' : written === false ? 'false' : written,
  bare: written === true,
});

function parameterChanges({ rule, values }: Written, { sheet }: Context, url: string): ParameterChange[] {
  const place = rule.in as ParameterPlace;
  const id = rule.beside ? (matchFrame(url, alone(sheet))?.id ?? '') : '';
  const beside = values.some(({ written }) => written !== null) ? (rule.beside ?? []).map(({ name, value }) => ({ name, written: value.replaceAll('{id}', id) })) : [];
  return [...values, ...beside].map((written) => changeOf(place, written));
}

/* What the other half of the span is says the address as the steps before have left it. */
function spanned({ rule, value }: Written, { parameters }: Address): ParameterChange[] {
  const { span, format, name } = rule as TimeSetting;
  const now = parameters.find((p) => p.in === rule.in && p.name === name)?.value;
  return [{ in: rule.in as ParameterPlace, name, value: writeSpan(now, span!, value as number, format) }];
}

/* Which step of the path a group of the frames' patterns is: patterns that name groups so are plain up to them. */
function groupIndex(sheet: Sheet, name: string, url: string): number {
  const match = sheet.frames.find((pattern) => matchFrame(url, [{ ...sheet, frames: [pattern] }]) && pattern.pathname.split('/').includes(`:${name}`));
  return match ? match.pathname.split('/').indexOf(`:${name}`) - 1 : -1;
}

/* What a frame must be allowed for its wishes, added to what it is allowed already. */
function permit(composition: Composition, { rule, holder: { element }, definition }: Written, { wishes, code }: Context): void {
  const token = rule.permission;
  if (token === undefined || !wishes[definition.name]) return;
  const now = permissionsOf(element);
  if (now.some((part) => part.split(/\s/)[0]!.toLowerCase() === token)) return;
  const change = setAttribute(code.text, element, 'allow', [...now, token].join('; '));
  if (change) composition.add({ ...change, stage: 'settings', wishes: [definition.name], reason: `The frame is allowed ${token}, which ${definition.name} needs.` });
}

/* The host that keeps nothing in visitors' browsers, or the usual one. */
function quieter(composition: Composition, code: Code, sheet: Sheet, { privacy }: Settings): void {
  if (privacy === undefined || !sheet.quiet) return;
  const { host, instead } = sheet.quiet;
  const reason = privacy ? `Use the provider’s quieter address (${host}, which keeps nothing in the visitor’s browser)` : `Use the provider’s usual address (${instead})`;
  for (const address of holderOf(code, sheet, {})?.addresses ?? [])
    composition.address(address, { wish: 'privacy', reason, change: ({ raw }) => (privacy ? changeHost(raw, instead, host) : changeHost(raw, host, instead)) });
}

const how = (rule: SheetSetting, changes: readonly ParameterChange[], taken: string): string => {
  const [first] = changes;
  const { span } = rule as TimeSetting;
  const where = rule.in === 'fragment' ? 'in the fragment of the address' : 'in the address';
  if (span) return `the ${span} in ${rule.name} ${where}, ${taken}`;
  if (first!.value === null) return `${first!.name} is taken out of the address`;
  return `${changes.map(({ name, value, bare }) => (bare ? name : `${name}=${value}`)).join(' and ')} ${where}, ${taken}`;
};

function reasonFor(definition: SettingDefinition, { wishes, brought }: Context, where: string): string {
  const said = (definition.because as (value: unknown) => string)(wishes[definition.name]);
  const why = brought.find((b) => b.wish === definition.name);
  return why ? `${said}, because ${why.reason} (${where})` : `${said} (${where})`;
}
