import type { Code } from '../code.ts';
import type { PathStep } from '../text/index.ts';
import type { ChangeBody } from '../options/change.ts';
import { contribution, problem, type Contribution, type Option, type OptionContext } from '../options/option.ts';
import { reason } from '../reason.ts';
import type { OptionValue } from '../options/values.ts';
import type { Facts, Reason } from '../reason.ts';
import { alone, matchFrame } from '../sheets/match.ts';
import { ruleOf, type Sheet, type SheetSetting, type TimeSetting } from '../sheets/sheet.ts';
import { targetOf, type Target } from './targets.ts';
import { writeValue, type WrittenValue } from './write.ts';

/** What is to be written, where. */
interface Writing {
  option: Pick<Option, 'name' | 'type'>;
  rule: SheetSetting;
  sheet: Sheet;
  target: Target;
  value: OptionValue;
  values: readonly WrittenValue[];
  /** Facts that every reason has. */
  told: Facts;
}

/** The changes of a setting where its provider's sheet says that it goes. */
export function contributeBySheet(option: Pick<Option, 'name' | 'type'>, code: Code, value: OptionValue, context: OptionContext): Contribution {
  const { sheet } = code;
  const setting = option.name;
  if (!sheet) return problem('no-sheet', { setting });
  const rule = ruleOf(sheet, setting);
  if (!rule) return problem('setting-not-offered', { setting, provider: sheet.name });
  const target = targetOf(code, sheet, rule);
  if (!target) return problem('part-missing', { setting, part: rule.of ?? 'frame' });
  const written = writeValue(option.type, rule, value);
  if (!written.ok) return problem('value-not-offered', { setting, provider: sheet.name, expects: written.expected.code, ...written.expected.facts });
  if (rule.in === 'json' && !code.inside.takesMembers(target.element, rule.attribute!)) return problem('part-missing', { setting, part: 'json' });
  const shutOut = exclusionOf(sheet, setting, context);
  if (shutOut) return shutOut;
  const because = context.implied.get(setting)?.reason.code ?? null;
  const told = { value: option.type.format(value), provider: sheet.files ? null : sheet.name, because };
  return contribution(changesOf({ option, rule, sheet, target, value, values: written.values, told }).map(withReason));
}

type Reasoned = readonly [change: ChangeBody, reason: Reason];
const withReason = ([change, why]: Reasoned) => ({ ...change, reason: why });

/* Another setting that is asked for, of which the provider obeys only one with this. */
function exclusionOf(sheet: Sheet, setting: string, { options }: OptionContext): Contribution | null {
  const other = Object.keys(sheet.settings).find((name) => (options[name] ?? false) !== false && sheet.settings[name]!.excludes?.includes(setting));
  return other === undefined ? null : problem('settings-exclude', { setting, other, provider: sheet.name });
}

function changesOf(writing: Writing): Reasoned[] {
  const places = { query: addressChanges, fragment: addressChanges, path: pathChanges, attribute: attributeChanges, json: memberChanges, option: memberChanges };
  return [...places[writing.rule.in](writing), ...permission(writing)];
}

function addressChanges({ rule, sheet, target, value, values, told }: Writing): Reasoned[] {
  const place = rule.in as 'query' | 'fragment';
  const { span, format } = rule as TimeSetting;
  return target.addresses.flatMap((address): Reasoned[] => {
    if (span) {
      const change = { kind: 'span', address, in: place, name: rule.name, half: span, seconds: value as number, format } as const;
      return [[change, reason('set-span', { ...told, in: place, half: span, name: rule.name })]];
    }
    const id = rule.companions ? (matchFrame(address.url, alone(sheet))?.id ?? '') : '';
    const isThere = values.some(({ written }) => written !== null);
    const companions = isThere ? (rule.companions ?? []).map(({ name, value }) => ({ name, written: value.replaceAll('{id}', id) })) : [];
    const all = [...values, ...companions].map(({ name, written }) => ({ name, value: written === false ? 'false' : written }));
    const [first] = all;
    const why =
      first!.value === null
        ? reason('take-parameter-out', { ...told, name: first!.name })
        : reason('set-parameter', { ...told, in: place, written: all.map(({ name, value }) => (value === true ? name : `${name}=${value}`)).join(' & ') });
    return all.map((parameter) => [{ kind: 'parameter', address, in: place, ...parameter }, why]);
  });
}

function pathChanges({ rule, sheet, target, values, told }: Writing): Reasoned[] {
  const [{ written } = { written: null }] = values;
  const value = written === null ? null : String(written);
  const why = value === null ? reason('take-step-out', told) : reason('set-step', { ...told, written: value });
  return target.addresses.map((address) => {
    return [{ kind: 'path', address, step: stepOf(rule, sheet, address.url), value }, why];
  });
}

function attributeChanges({ rule, target: { element }, values, told }: Writing): Reasoned[] {
  const own = values.map(({ name, written }): Reasoned => [
    { kind: 'attribute', element, name, value: written === false ? 'false' : written },
    written === null ? reason('take-attribute-out', { ...told, name }) : reason('set-attribute', { ...told, name }),
  ]);
  if (values.every(({ written }) => written === null)) return own;
  const companions = (rule.companions ?? []).map(({ name, value }): Reasoned => [
    { kind: 'attribute', element, name, value: value === '' ? true : value },
    reason('needs-attribute', { ...told, name }),
  ]);
  return [...own, ...companions];
}

function memberChanges({ rule, target: { element }, values, told }: Writing): Reasoned[] {
  return values.map(({ name, plain }) => {
    const path = name.split('.');
    return rule.in === 'json'
      ? [{ kind: 'member', element, of: { attribute: rule.attribute! }, path, value: plain }, reason('set-json-member', { ...told, name, attribute: rule.attribute! })]
      : [{ kind: 'member', element, of: { call: rule.call! }, path, value: plain }, reason('set-script-member', { ...told, name })];
  });
}

/* What a frame must be allowed for it. */
function permission({ option, rule, target: { element }, value, told }: Writing): Reasoned[] {
  const token = rule.permission;
  if (token === undefined || value === false) return [];
  return [[{ kind: 'token', element, name: 'allow', token }, reason('allow-permission', { ...told, token, option: option.name })]];
}

/** The step of an address’s path that a setting is in: one of its own, or that of a group of the frames’ patterns. */
export const stepOf = (rule: Pick<SheetSetting, 'name' | 'piece'>, sheet: Sheet, url: string): PathStep =>
  rule.piece === undefined ? { index: groupIndex(sheet, rule.name, url) } : { piece: rule.piece };

/* Which step of the path a group of the frames' patterns is: patterns that name groups so are plain up to them. */
function groupIndex(sheet: Sheet, name: string, url: string): number {
  const match = sheet.frames.find((pattern) => matchFrame(url, [{ ...sheet, frames: [pattern] }]) && pattern.pathname.split('/').includes(`:${name}`));
  return match ? match.pathname.split('/').indexOf(`:${name}`) - 1 : -1;
}
