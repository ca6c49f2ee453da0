import { parse } from 'acorn';
import { pathOf } from './constants.ts';
import { scriptBudget } from './read-script.ts';
import { walk, type AnyNode } from './walk.ts';

/** A value that is written out in a script. */
export interface ScriptLiteral {
  /** Of what is written, without its quotes. */
  start: number;
  end: number;
  value: string;
  /**
   * What is called with the options object that it is a member of, or what that is
   * assigned to; null for any other.
   */
  call: string | null;
  /** Its names in that object, from the outside in. */
  path: readonly string[];
  /** Which it is among those that are no options, from 1. */
  number: number;
}

/** The strings, numbers and switches of an inline script, in their order; none where it cannot be read. */
export function literalsOf(text: string): ScriptLiteral[] {
  const program = text.length > scriptBudget ? null : programOf(text);
  if (!program) return [];
  const members: Members = new Map();
  const literals: AnyNode[] = [];
  const keys = new Set<AnyNode>();
  walk(program, (node) => {
    if (node.type === 'Property' && node['computed'] === false) keys.add(node['key'] as AnyNode);
    const [call, given] = givenTo(node);
    if (call !== '') addMembers(members, call, given, []);
    if (isPlain(node) && !keys.has(node)) literals.push(node);
  });
  let number = 0;
  return literals
    .sort((a, b) => a.start - b.start)
    .map((node) => {
      const quote = typeof node['value'] === 'string' ? 1 : 0;
      const { call, path } = members.get(node) ?? { call: null, path: [] };
      return {
        start: node.start + quote,
        end: node.end - quote,
        value: String(node['value']),
        call,
        path,
        number: call === null ? ++number : 0,
      };
    });
}

/** The tree of an inline script; null where it cannot be parsed. */
export function programOf(text: string): AnyNode | null {
  try {
    return parse(text, {
      ecmaVersion: 'latest',
      sourceType: 'script',
      allowReturnOutsideFunction: true,
      allowHashBang: true,
    }) as unknown as AnyNode;
  } catch {
    return null;
  }
}

type Members = Map<AnyNode, Pick<ScriptLiteral, 'call' | 'path'>>;

const isPlain = (node: AnyNode): boolean =>
  node.type === 'Literal' && ['string', 'number', 'boolean'].includes(typeof node['value']);

/* What a name is called with, or assigned. */
function givenTo(node: AnyNode): [string, readonly AnyNode[]] {
  const named = (of: unknown): string => pathOf(of as AnyNode).replace(/^(?:window|self|globalThis)\./, '');
  if (node.type === 'CallExpression') return [named(node['callee']), node['arguments'] as AnyNode[]];
  if (node.type === 'AssignmentExpression') return [named(node['left']), [node['right'] as AnyNode]];
  return ['', []];
}

const deepest = 8;

function addMembers(
  members: Members,
  call: string,
  nodes: readonly (AnyNode | null)[],
  path: readonly string[],
  depth = 0,
): void {
  if (depth >= deepest) return;
  for (const node of nodes) {
    if (node?.type === 'ArrayExpression' && path.length === 0)
      addMembers(members, call, node['elements'] as AnyNode[], path, depth + 1);
    if (node?.type !== 'ObjectExpression') continue;
    for (const property of node['properties'] as AnyNode[]) {
      const key = property['key'] as AnyNode | undefined;
      if (property.type !== 'Property' || property['computed'] !== false || !key) continue;
      const at = [...path, String(key['name'] ?? key['value'])];
      const value = property['value'] as AnyNode;
      if (value.type === 'ObjectExpression') addMembers(members, call, [value], at, depth + 1);
      else members.set(value, { call, path: at });
    }
  }
}
