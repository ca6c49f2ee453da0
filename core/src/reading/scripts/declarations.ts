import { memberName, pathOf } from './constants.ts';
import { isGuarded } from './guards.ts';
import { isGlobal, markInside, type Pass } from './pass.ts';
import { walk, type AnyNode, type Scope } from './walk.ts';

/** The name of a function or a class. */
export function declareNamed(node: AnyNode, scope: Scope, pass: Pass): void {
  const given = String((node['id'] as AnyNode)['name']);
  if (isGlobal(scope, pass)) pass.facts.globals.push({ name: given, shared: false });
  else if (node.type === 'FunctionDeclaration') scope.names.add(given);
}

/** The names that a `var`, `let` or `const` declares, and what they stand for. */
export function declare(node: AnyNode, scope: Scope, pass: Pass): void {
  const id = node['id'] as AnyNode;
  if (id.type !== 'Identifier') return declareEach(id, scope, pass);
  const given = String(id['name']);
  const init = node['init'] as AnyNode | null;
  const stands = pathOf(init);
  if (/^(?:window\.)?document$|^window$/.test(stands)) pass.aliases.set(given, stands);
  if (isGlobal(scope, pass)) pass.facts.globals.push({ name: given, shared: isGuarded(given, init) });
  else scope.names.add(given);
  noteCreated(given, init, pass);
}

/* The names in `{ a, b: c, ...d }` and `[e, f = 1]`. */
function declareEach(pattern: AnyNode, scope: Scope, pass: Pass): void {
  const keys = keysIn(pattern);
  walk(pattern, (node) => {
    if (node.type !== 'Identifier' || keys.has(node)) return;
    const given = String(node['name']);
    if (isGlobal(scope, pass)) pass.facts.globals.push({ name: given, shared: false });
    else scope.names.add(given);
  });
}

/* What a pattern only looks up (`b` in `{ b: c }`), or takes where there is nothing (`1` in `[f = 1]`). */
function keysIn(pattern: AnyNode): Set<AnyNode> {
  const keys = new Set<AnyNode>();
  walk(pattern, (node) => {
    if (node.type === 'Property' && node['shorthand'] !== true) keys.add(node['key'] as AnyNode);
    if (node.type === 'AssignmentPattern') markInside(node['right'] as AnyNode, keys);
  });
  return keys;
}

/** Notes which element a name is given (`createElement`, `new Image`). */
export function noteCreated(given: string, value: AnyNode | null, pass: Pass): void {
  if (value?.type === 'AssignmentExpression') return noteCreated(given, value['right'] as AnyNode, pass);
  if (isNewImage(value)) pass.created.set(given, 'img');
  if (value?.type !== 'CallExpression') return;
  const callee = value['callee'] as AnyNode;
  if (callee.type === 'MemberExpression' && memberName(callee) === 'createElement')
    pass.created.set(given, (pass.text((value['arguments'] as AnyNode[])[0]) ?? '').toLowerCase());
}

/** `new Image()`, which loads what its `src` is set to. */
export const isNewImage = (node: AnyNode | null): boolean =>
  node?.type === 'NewExpression' && (node['callee'] as AnyNode)['name'] === 'Image';
