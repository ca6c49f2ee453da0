import { constantText, pathOf, type Known } from './constants.ts';
import { walk, type AnyNode } from './walk.ts';

/**
 * Names that are given one constant text, and no other, anywhere in a script; members of objects that are
 * written out as well, by dotted path (`cfg.host`). Where a text depends on a condition, both ways are known:
 * what comes out if it holds, and what if not.
 */
export function constantNames(program: AnyNode): Known[] {
  const conditions: AnyNode[] = [];
  walk(program, (node) => {
    if (node.type === 'ConditionalExpression' || node.type === 'LogicalExpression') conditions.push(node);
  });
  const first = namesTaking('first', program);
  return conditions.length > 0 ? [first, namesTaking('second', program)] : [first];
}

function namesTaking(takes: Known['takes'], program: AnyNode): Known {
  const names = new Map<string, string>();
  const changed = new Set<string>();
  const known = { names, takes };
  const note = (name: string, value: string | null): void => {
    if (value === null || names.has(name)) changed.add(name);
    else names.set(name, value);
  };
  walk(program, (node) => {
    if (node.type === 'VariableDeclarator' && (node['id'] as AnyNode).type === 'Identifier') {
      const name = String((node['id'] as AnyNode)['name']);
      const init = node['init'] as AnyNode | null;
      note(name, constantText(init, known));
      if (init?.type === 'ObjectExpression') noteMembers(name, init, known, note);
    } else if (node.type === 'AssignmentExpression') changed.add(pathOf(node['left'] as AnyNode));
    else if (node.type === 'UpdateExpression') changed.add(pathOf(node['argument'] as AnyNode));
  });
  for (const name of changed) names.delete(name);
  return known;
}

function noteMembers(
  of: string,
  object: AnyNode,
  known: Known,
  note: (name: string, value: string | null) => void,
): void {
  for (const { key, value, computed } of object['properties'] as AnyNode[]) {
    const text = computed === false ? constantText(value as AnyNode, known) : null;
    if (text !== null) note(`${of}.${String((key as AnyNode)['name'] ?? (key as AnyNode)['value'])}`, text);
  }
}
