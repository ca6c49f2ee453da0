import { memberName, pathOf } from './constants.ts';
import { givenFor, walk, type AnyNode, type Scope } from './walk.ts';

/** A stretch of a script in which a name is set only if nothing has it yet. */
export interface Guard {
  name: string;
  start: number;
  end: number;
}

/**
 * `if (!window.x) …`, `if (typeof x === 'undefined') …`, `typeof x === 'undefined' && …`,
 * `window.x || …`.
 */
export function guardsOf(test: unknown, guarded: unknown, isElse = false): Guard[] {
  const { start, end } = guarded as AnyNode;
  const names = isElse ? [pathOf(test as AnyNode)] : [];
  walk(test as AnyNode, ({ type, ...inner }) => {
    if (type === 'UnaryExpression' && (inner['operator'] === '!' || inner['operator'] === 'typeof'))
      names.push(pathOf(inner['argument'] as AnyNode));
  });
  return names
    .map((name) => name.replace(/^(?:window|self|globalThis)\./, ''))
    .filter((name) => name !== '')
    .map((name) => ({ name, start, end }));
}

/** `x = x || …`, `x = window.x || …`, `x ??= …`, and `typeof x === 'undefined' ? … :
   x` get on with what is there. */
export function isGuarded(
  name: string,
  value: AnyNode | null,
  scope?: Scope,
  text?: (node: unknown) => string | null,
): boolean {
  if (!value) return false;
  if (value.type === 'AssignmentExpression') return isGuarded(name, value['right'] as AnyNode, scope, text);
  if (value.type === 'LogicalExpression') {
    const left = value['left'] as AnyNode;
    if (left.type === 'MemberExpression' && left['computed'] && scope && text)
      return nameGiven(left, scope, text) === name || memberName(left) === name;
    return (pathOf(left).split('.').at(-1) ?? '') === name;
  }
  return (
    value.type === 'ConditionalExpression' &&
    [value['consequent'], value['alternate']].some(
      (branch) =>
        pathOf(branch as AnyNode)
          .split('.')
          .at(-1) === name,
    )
  );
}

/** The name of a member that is given as a constant, or was passed in as one. */
export function nameGiven(
  member: AnyNode,
  scope: Scope,
  text: (node: unknown) => string | null,
): string | null {
  const property = member['property'] as AnyNode;
  if (!member['computed']) return null;
  if (property.type === 'Identifier') {
    const given = givenFor(String(property['name']), scope);
    if (given) return text(given);
  }
  return text(property);
}
