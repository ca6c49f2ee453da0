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
  /** What is called with the options object that it is a member of, or what that is assigned to; null for any other. */
  call: string | null;
  /** Its names in that object, from the outside in. */
  path: readonly string[];
  /** Which it is among those that are no options, from 1. */
  number: number;
}

/** The strings, numbers and switches of an inline script, in their order; none where it cannot be read. */
export function literalsOf(text: string): ScriptLiteral[] {
  if (text.length > scriptBudget) return [];
  let program: AnyNode;
  try {
    program = parse(text, {
      ecmaVersion: 'latest',
      sourceType: 'script',
      allowReturnOutsideFunction: true,
      allowHashBang: true,
    }) as unknown as AnyNode;
  } catch {
    return [];
  }
  const members = new Map<AnyNode, Pick<ScriptLiteral, 'call' | 'path'>>();
  const addMembers = (
    call: string,
    nodes: readonly (AnyNode | null)[],
    path: readonly string[],
    depth = 0,
  ): void => {
    for (const node of nodes) {
      if (node?.type === 'ArrayExpression' && path.length === 0 && depth < 8)
        addMembers(call, node['elements'] as AnyNode[], path, depth + 1);
      if (node?.type !== 'ObjectExpression' || depth >= 8) continue;
      for (const property of node['properties'] as AnyNode[]) {
        const key = property['key'] as AnyNode | undefined;
        if (property.type !== 'Property' || property['computed'] !== false || !key) continue;
        const at = [...path, String(key['name'] ?? key['value'])];
        const value = property['value'] as AnyNode;
        if (value.type === 'ObjectExpression') addMembers(call, [value], at, depth + 1);
        else members.set(value, { call, path: at });
      }
    }
  };
  const literals: AnyNode[] = [];
  const keys = new Set<AnyNode>();
  walk(program, (node) => {
    if (node.type === 'Property' && node['computed'] === false) keys.add(node['key'] as AnyNode);
    const named = (of: unknown): string => pathOf(of as AnyNode).replace(/^(?:window|self|globalThis)\./, '');
    if (node.type === 'CallExpression' && named(node['callee']) !== '')
      addMembers(named(node['callee']), node['arguments'] as AnyNode[], []);
    else if (node.type === 'AssignmentExpression' && named(node['left']) !== '')
      addMembers(named(node['left']), [node['right'] as AnyNode], []);
    if (
      node.type === 'Literal' &&
      !keys.has(node) &&
      ['string', 'number', 'boolean'].includes(typeof node['value'])
    )
      literals.push(node);
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
