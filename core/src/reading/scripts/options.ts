import type { PlainValue } from '../../text/index.ts';
import { pathOf } from './constants.ts';
import { programOf } from './literals.ts';
import { scriptBudget } from './read-script.ts';
import { walk, type AnyNode } from './walk.ts';

/**
 * The text of an inline script with a member in its options object, or without it (`null`). The object is the
 * first one that `call` is called with, also inside a list, or that is assigned to it. Everything else stays
 * as it is written. Null where the script has no such object, or cannot be read.
 */
export function changeOptions(
  text: string,
  call: string,
  path: readonly string[],
  value: PlainValue | null,
): string | null {
  let object = optionsOf(text, call);
  if (!object) return null;
  for (const name of path.slice(0, -1)) {
    const inner = memberOf(object, name)?.['value'] as AnyNode | undefined;
    if (inner?.type !== 'ObjectExpression') return null;
    object = inner;
  }
  const name = path.at(-1)!;
  const found = memberOf(object, name);
  if (value === null) return found ? withoutMember(text, object, found) : text;
  const written = literal(value, text.slice(object.start, object.end));
  return found ? withValue(text, found, value, written) : withMember(text, object, name, written);
}

function withValue(text: string, member: AnyNode, value: PlainValue, written: string): string {
  const now = member['value'] as AnyNode;
  return now.type === 'Literal' && now['value'] === value
    ? text
    : text.slice(0, now.start) + written + text.slice(now.end);
}

function withoutMember(text: string, object: AnyNode, member: AnyNode): string {
  const members = object['properties'] as AnyNode[];
  const at = members.indexOf(member);
  const [before, after] = [members[at - 1], members[at + 1]];
  const [start, end] = after ? [member.start, after.start] : [before?.end ?? member.start, member.end];
  return text.slice(0, start) + text.slice(end);
}

function withMember(text: string, object: AnyNode, name: string, written: string): string {
  const last = (object['properties'] as AnyNode[]).at(-1);
  const key = /^[A-Za-z_$][\w$]*$/.test(name) ? name : JSON.stringify(name);
  const at = last?.end ?? object.start + 1;
  return `${text.slice(0, at)}${last ? ', ' : ' '}${key}: ${written}${last ? '' : ' '}${text.slice(at)}`;
}

/** A plain member of the options object of an inline script; null where there is none. */
export function readOption(text: string, call: string, path: readonly string[]): PlainValue | null {
  let object = optionsOf(text, call);
  for (const name of path.slice(0, -1))
    object = object && ((memberOf(object, name)?.['value'] as AnyNode | undefined) ?? null);
  const found =
    object?.type === 'ObjectExpression'
      ? (memberOf(object, path.at(-1)!)?.['value'] as AnyNode | undefined)
      : undefined;
  const value = found?.type === 'Literal' ? found['value'] : null;
  return typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean' ? value : null;
}

/** Whether an inline script has the object that settings go to. */
export const hasOptions = (text: string, call: string): boolean => optionsOf(text, call) !== null;

function optionsOf(text: string, call: string): AnyNode | null {
  // Where the name does not even stand, there is nothing to parse.
  if (text.length > scriptBudget || !text.includes(call.split('.').at(-1)!)) return null;
  const program = programOf(text);
  if (!program) return null;
  let found: AnyNode | null = null;
  const names = (node: unknown): boolean =>
    pathOf(node as AnyNode).replace(/^(?:window|self|globalThis)\./, '') === call;
  walk(program, (node) => {
    if (found) return;
    if (node.type === 'CallExpression' && names(node['callee']))
      found = firstObject(node['arguments'] as AnyNode[]);
    else if (node.type === 'AssignmentExpression' && names(node['left']))
      found = firstObject([node['right'] as AnyNode]);
  });
  return found;
}

function firstObject(nodes: readonly (AnyNode | null)[]): AnyNode | null {
  for (const node of nodes) {
    if (node?.type === 'ObjectExpression') return node;
    const inner =
      node?.type === 'ArrayExpression'
        ? firstObject(node['elements'] as AnyNode[])
        : node?.type === 'LogicalExpression'
          ? firstObject([node['right'] as AnyNode])
          : null;
    if (inner) return inner;
  }
  return null;
}

const memberOf = (object: AnyNode, name: string): AnyNode | undefined =>
  (object['properties'] as AnyNode[]).find((property) => {
    const key = property['key'] as AnyNode | undefined;
    return (
      property.type === 'Property' &&
      property['computed'] === false &&
      (key?.['name'] === name || String(key?.['value']) === name)
    );
  });

/* A string never ends the script that it stands in (HTML, section 4.12.1.3), and has the
   quotes of its neighbours. */
function literal(value: PlainValue, neighbours: string): string {
  const json = JSON.stringify(value)
    .replaceAll('<', '\\u003C')
    .replaceAll('\u2028', '\\u2028')
    .replaceAll('\u2029', '\\u2029');
  if (typeof value !== 'string' || neighbours.includes('"') || !neighbours.includes("'")) return json;
  return `'${json.slice(1, -1).replaceAll('\\"', '"').replaceAll("'", "\\'")}'`;
}
