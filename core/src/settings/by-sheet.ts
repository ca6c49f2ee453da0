import type { Code } from '../code.ts';
import type { ParameterPlace, PathStep } from '../text/index.ts';
import type { Change } from '../options/change.ts';
import type { ReadAddress } from '../reading/reading.ts';
import {
  contribution,
  problem,
  type Contribution,
  type Option,
  type OptionContext,
} from '../options/option.ts';
import { reason, type Facts } from '../reason.ts';
import type { OptionValue } from '../options/values.ts';
import { alone, matchFrame } from '../sheets/match.ts';
import {
  ruleOf,
  type OwnOptionWords,
  type Sheet,
  type SheetSetting,
  type TimeSetting,
} from '../sheets/sheet.ts';
import { targetOf, type Target } from './targets.ts';
import { writeValue, type WrittenValue } from './write.ts';

/** What is to be written, where. */
interface Writing {
  option: Pick<Option, 'name' | 'type' | 'own'>;
  rule: SheetSetting;
  sheet: Sheet;
  target: Target;
  value: OptionValue;
  values: readonly WrittenValue[];
  /** Facts that every reason has. */
  told: Facts;
}

/** The changes of a setting where its provider's sheet says that it goes. */
export function contributeBySheet(
  option: Pick<Option, 'name' | 'type' | 'own'>,
  code: Code,
  value: OptionValue,
  context: OptionContext,
): Contribution {
  const { sheet } = code;
  const setting = option.name;
  if (!sheet) return problem('no-sheet', { setting });
  const rule = ruleOf(sheet, setting);
  if (!rule) return problem('setting-not-offered', { setting, provider: sheet.name });
  const target = targetOf(code, sheet, rule);
  if (!target) return problem('part-missing', { setting, part: rule.of ?? 'frame' });
  const written = writeValue(option.type, rule, value);
  if (!written.ok)
    return problem('value-not-offered', {
      setting,
      provider: sheet.name,
      expects: written.expected.code,
      ...written.expected.facts,
    });
  if (rule.in === 'json' && !code.inside.takesMembers(target.element, rule.attribute!))
    return problem('part-missing', { setting, part: 'json' });
  const shutOut = exclusionOf(sheet, setting, context);
  if (shutOut) return shutOut;
  const because = context.implied.get(setting)?.reason.code ?? null;
  const provider = sheet.files ? null : sheet.name;
  const told: Facts = option.own
    ? { value: saidOf(option.own, option.type.format(value)), provider, because, label: option.own.label }
    : { value: option.type.format(value), provider, because };
  return contribution(changesOf({ option, rule, sheet, target, value, values: written.values, told }));
}

/* What a value is called, where it is a word with a name of its own. */
const saidOf = ({ labels }: OwnOptionWords, typed: string): string => labels?.[typed] ?? typed;

/* Another setting that is asked for, of which the provider obeys only one with this. */
function exclusionOf(sheet: Sheet, setting: string, { options }: OptionContext): Contribution | null {
  const names = [...Object.keys(sheet.settings), ...Object.keys(sheet.options ?? {})];
  const other = names.find(
    (name) => (options[name] ?? false) !== false && ruleOf(sheet, name)?.excludes?.includes(setting),
  );
  return other === undefined ? null : problem('settings-exclude', { setting, other, provider: sheet.name });
}

const placesOf: Record<SheetSetting['in'], (writing: Writing) => Change[]> = {
  query: addressChanges,
  fragment: addressChanges,
  path: pathChanges,
  attribute: attributeChanges,
  json: memberChanges,
  option: memberChanges,
};

function changesOf(writing: Writing): Change[] {
  const changes = placesOf[writing.rule.in](writing);
  const permission = permissionFor(writing);
  return permission ? [...changes, permission] : changes;
}

function addressChanges(writing: Writing): Change[] {
  const { rule, target } = writing;
  const span = (rule as TimeSetting).span;
  const changes = (address: ReadAddress): Change[] =>
    span ? [spanChange(writing, address, span)] : parameterChanges(writing, address);
  return target.addresses.length === 1 ? changes(target.addresses[0]!) : target.addresses.flatMap(changes);
}

function spanChange({ rule, value, told }: Writing, address: ReadAddress, half: 'start' | 'end'): Change {
  const { in: place, name, format } = rule as TimeSetting & { in: ParameterPlace };
  return {
    kind: 'span',
    address,
    in: place,
    name,
    half,
    seconds: value as number,
    format,
    reason: reason('set-span', { ...told, in: place, half, name }),
  };
}

function parameterChanges({ rule, sheet, values, told }: Writing, address: ReadAddress): Change[] {
  const place = rule.in as ParameterPlace;
  const written: WrittenParameter[] = values.map(({ name, written }) => ({
    name,
    value: written === false ? 'false' : written,
  }));
  const isThere = written.some(({ value }) => value !== null);
  if (rule.companions && isThere) {
    const id = matchFrame(address.url, alone(sheet))?.id ?? '';
    for (const { name, value } of rule.companions)
      written.push({ name, value: value.replaceAll('{id}', id) });
  }
  const why = isThere
    ? reason('set-parameter', {
        ...told,
        in: place,
        written: written.length === 1 ? asWritten(written[0]!) : written.map(asWritten).join(' & '),
      })
    : reason('take-parameter-out', { ...told, name: written[0]!.name });
  return written.map(({ name, value }) => ({
    kind: 'parameter',
    address,
    in: place,
    name,
    value,
    reason: why,
  }));
}

const asWritten = ({ name, value }: WrittenParameter): string => (value === true ? name : `${name}=${value}`);

interface WrittenParameter {
  name: string;
  value: string | true | null;
}

function pathChanges({ rule, sheet, target, values, told }: Writing): Change[] {
  const [{ written } = { written: null }] = values;
  const value = written === null ? null : String(written);
  const why =
    value === null ? reason('take-step-out', told) : reason('set-step', { ...told, written: value });
  return target.addresses.map((address) => ({
    kind: 'path',
    address,
    step: stepOf(rule, sheet, address.url),
    value,
    reason: why,
  }));
}

function attributeChanges({ rule, target: { element }, values, told }: Writing): Change[] {
  const changes: Change[] = values.map(({ name, written }) => ({
    kind: 'attribute',
    element,
    name,
    value: written === false ? 'false' : written,
    reason:
      written === null
        ? reason('take-attribute-out', { ...told, name })
        : reason('set-attribute', { ...told, name }),
  }));
  if (values.every(({ written }) => written === null)) return changes;
  for (const { name, value } of rule.companions ?? [])
    changes.push({
      kind: 'attribute',
      element,
      name,
      value: value === '' ? true : value,
      reason: reason('needs-attribute', { ...told, name }),
    });
  return changes;
}

function memberChanges({ rule, target: { element }, values, told }: Writing): Change[] {
  const isJson = rule.in === 'json';
  const of = isJson ? { attribute: rule.attribute! } : { call: rule.call! };
  return values.map(({ name, plain }) => ({
    kind: 'member',
    element,
    of,
    path: name.split('.'),
    value: plain,
    reason: isJson
      ? reason('set-json-member', { ...told, name, attribute: rule.attribute! })
      : reason('set-script-member', { ...told, name }),
  }));
}

/* What a frame must be allowed for it. */
function permissionFor({ option, rule, target: { element }, value, told }: Writing): Change | null {
  const token = rule.permission;
  if (token === undefined || value === false) return null;
  return {
    kind: 'token',
    element,
    name: 'allow',
    token,
    present: true,
    reason: reason('allow-permission', { ...told, token, option: option.name }),
  };
}

/**
 * The step of an address’s path that a setting is in: one of its own, or that of a
 * group of the frames’ patterns.
 */
export const stepOf = (rule: Pick<SheetSetting, 'name' | 'piece'>, sheet: Sheet, url: string): PathStep =>
  rule.piece === undefined ? { index: groupIndex(sheet, rule.name, url) } : { piece: rule.piece };

/* Which step of the path a group of the frames' patterns is: patterns that name
   groups so are plain up to them. */
function groupIndex(sheet: Sheet, name: string, url: string): number {
  const match = sheet.frames.find(
    (pattern) =>
      matchFrame(url, [{ ...sheet, frames: [pattern] }]) && pattern.pathname.split('/').includes(`:${name}`),
  );
  return match ? match.pathname.split('/').indexOf(`:${name}`) - 1 : -1;
}
