import type { Code } from '../code.ts';
import { changeOptions } from '../reading/scripts/index.ts';
import {
  attribute,
  changeAddress,
  addressSeams,
  changeHost,
  changeJson,
  changePath,
  parseAddress,
  setAttribute,
  setRawAttribute,
  smallestChange,
  type Edit,
  type EditReason,
  type MarkupElement,
  type Seams,
} from '../text/index.ts';
import type {
  AddressChange,
  AttributeChange,
  DeclarationChange,
  MemberChange,
  TokenChange,
} from '../options/change.ts';
import { permissionsOf, rawAttribute } from '../settings/targets.ts';
import { writeSpan } from '../sheets/span.ts';
import type { AskedChange } from './changes.ts';
import { reasonOf } from './reasons.ts';
import { subjectOf } from './settle.ts';
import { isStructure, withStructure } from './structure.ts';
import { styleEdit } from './style-edit.ts';

type Place = Pick<Edit, 'start' | 'end' | 'text'>;
type Of<C> = AskedChange & C;

/** An edit of all changes of one thing: an address, an attribute, a script. */
interface Composed {
  place: Place | null;
  reasons: EditReason[];
}

/**
 * One edit for each address, attribute and script, with the reasons of every change that it makes, and those
 * of what the code consists of; none where nothing changes.
 */
export function editsOf(code: Code, changes: readonly AskedChange[]): Edit[] {
  if (!changes.some(isStructure)) return innerEdits(code, changes);
  const inner = changes.filter((change) => !isStructure(change));
  return withStructure(innerEdits(code, inner), changes.filter(isStructure));
}

function innerEdits(code: Code, changes: readonly AskedChange[]): Edit[] {
  const edits: Edit[] = [];
  for (const group of groupsOf(changes)) {
    const { place, reasons } = composed(code, group);
    if (place === null) continue;
    edits.push({
      start: place.start,
      end: place.end,
      text: place.text,
      stage: reasons[0]!.stage,
      options: optionsOf(reasons),
      reasons,
    });
  }
  return edits;
}

/** The options that these reasons are of, each once. */
export const optionsOf = (reasons: readonly EditReason[]): string[] =>
  reasons.length === 1 ? [reasons[0]!.option] : [...new Set(reasons.map(({ option }) => option))];

/* Changes of the same address, attribute or script, in the order in which the first of each was asked for. */
function groupsOf(changes: readonly AskedChange[]): AskedChange[][] {
  const groups: AskedChange[][] = [];
  const known = new Map<object, Map<string, AskedChange[]>>();
  for (const change of changes) {
    const subject = subjectOf(change);
    const ofSubject =
      known.get(subject) ?? known.set(subject, new Map<string, AskedChange[]>()).get(subject)!;
    const part = partOf(change);
    const group = ofSubject.get(part);
    if (group) group.push(change);
    else ofSubject.set(part, groups[groups.push([change]) - 1]!);
  }
  // A new attribute that holds JSON stands before other new ones.
  const rank = ([first]: AskedChange[]): number => (first!.kind === 'member' ? 0 : 1);
  return groups.some((group) => rank(group) === 0) ? groups.sort((a, b) => rank(a) - rank(b)) : groups;
}

/* The attribute of an element that a change is in; the whole of an address, the text of a script. */
function partOf(change: AskedChange): string {
  switch (change.kind) {
    case 'attribute':
    case 'token':
      return change.name;
    case 'declaration':
      return 'style';
    case 'member':
      return 'attribute' in change.of ? change.of.attribute : '';
    default:
      return '';
  }
}

function composed(code: Code, group: readonly AskedChange[]): Composed {
  const [first] = group;
  switch (first!.kind) {
    case 'parameter':
    case 'span':
    case 'path':
    case 'host':
      return addressEdit(code, group as Of<AddressChange>[]);
    case 'member':
      return memberEdit(code, group as Of<MemberChange>[]);
    case 'declaration':
      return styleEdit(code, group as Of<DeclarationChange>[]);
    case 'token':
      return tokenEdit(code, group as Of<TokenChange>[]);
    case 'attribute':
      return attributeEdit(code, first as Of<AttributeChange>);
    default:
      return { place: null, reasons: [] };
  }
}

/* Follows the changes step by step; those that change nothing have no reason to be named. */
function follow<C extends AskedChange>(
  from: string,
  changes: readonly C[],
  step: (raw: string, change: C) => string,
): { raw: string; reasons: EditReason[] } {
  // Several parameters of one setting have one reason.
  const told = new Set<AskedChange['reason']>();
  const reasons: EditReason[] = [];
  let raw = from;
  for (const change of changes) {
    const after = step(raw, change);
    if (after !== raw && !told.has(change.reason)) {
      told.add(change.reason);
      reasons.push(reasonOf(change));
    }
    raw = after;
  }
  return { raw, reasons };
}

function addressEdit({ text }: Code, changes: readonly Of<AddressChange>[]): Composed {
  const { start, end } = changes[0]!.address;
  const first = parseAddress(text.slice(start, end));
  const { raw, reasons } = follow(first.raw, changes, (now, change) =>
    changedAddress(now, change, first.joint),
  );
  return { place: smallestChange(text, start, end, raw, addressSeams), reasons };
}

function changedAddress(raw: string, change: Of<AddressChange>, joint: '&' | '&amp;'): string {
  switch (change.kind) {
    case 'host':
      return changeHost(raw, change.from, change.to);
    case 'path':
      return changePath(raw, change.step, change.value);
    case 'span': {
      // What the other half of the span is, says the address as the changes before have left it.
      const now = parseAddress(raw).parameters.find(
        (p) => p.in === change.in && p.name === change.name,
      )?.value;
      const value = writeSpan(now, change.half, change.seconds, change.format);
      return changeAddress({ raw, joint }, [{ in: change.in, name: change.name, value }]);
    }
    case 'parameter': {
      const { name, value, in: place } = change;
      return changeAddress({ raw, joint }, [
        { in: place ?? 'query', name, value: value === true ? '' : value, bare: value === true },
      ]);
    }
  }
}

function memberEdit(code: Code, changes: readonly Of<MemberChange>[]): Composed {
  const { text } = code;
  const [{ element, of }] = changes as [Of<MemberChange>];
  if ('attribute' in of) {
    const now = rawAttribute(code, element, of.attribute);
    const { raw, reasons } = follow(
      now,
      changes,
      (raw, { path, value }) => changeJson(raw === '' ? '{}' : raw, path, value) ?? raw,
    );
    return { place: setRawAttribute(text, element, of.attribute, raw), reasons };
  }
  const [start, end] = [element.startTagEnd, element.endTagStart ?? element.end];
  const { raw, reasons } = follow(
    text.slice(start, end),
    changes,
    (raw, { path, value, of }) => changeOptions(raw, (of as { call: string }).call, path, value) ?? raw,
  );
  return { place: smallestChange(text, start, end, raw), reasons };
}

/* The tokens that are there stay as they are; those that a change adds come behind them. */
function tokenEdit({ text }: Code, changes: readonly Of<TokenChange>[]): Composed {
  const [{ element: of, name }] = changes as [Of<TokenChange>];
  // What is asked of elements of ours was put into them before.
  const element = of as MarkupElement;
  const now =
    name === 'allow' ? permissionsOf(element) : (attribute(element, name) ?? '').split(/\s+/).filter(Boolean);
  const isIt = (written: string, { token }: TokenChange): boolean =>
    written.split(/\s/)[0]!.toLowerCase() === token.toLowerCase();
  const done = changes.filter((change) => now.some((written) => isIt(written, change)) !== change.present);
  if (done.length === 0) return { place: null, reasons: [] };
  const kept = now.filter((written) => !done.some((change) => isIt(written, change)));
  const tokens = [...kept, ...done.filter(({ present }) => present).map(({ token }) => token)];
  return {
    place: setAttribute(
      text,
      element,
      name,
      tokens.length === 0 ? null : tokens.join(name === 'allow' ? '; ' : ' '),
    ),
    reasons: done.map(reasonOf),
  };
}

/* A mark is written whole, so that another one can be put in its place. */
const wholeValue: Seams = { behind: '', before: '' };

function attributeEdit({ text }: Code, change: Of<AttributeChange>): Composed {
  const { element: of, name, value, stage } = change;
  // What is asked of elements of ours was put into them before.
  const element = of as MarkupElement;
  if (stage === 'mark')
    return {
      place: setRawAttribute(text, element, name, String(value), wholeValue),
      reasons: [reasonOf(change)],
    };
  return {
    place: value === true ? presence(element, name) : setAttribute(text, element, name, value),
    reasons: [reasonOf(change)],
  };
}

/* A presence that is there already is as good in any of its spellings (HTML, section 2.3.2). */
const presence = (element: MarkupElement, name: string): Place | null =>
  element.attributes.has(name) ? null : { start: element.nameEnd, end: element.nameEnd, text: ` ${name}` };
