/** A node of the ESTree standard; members are looked at by name. */
export interface AnyNode {
  type: string;
  start: number;
  end: number;
  [member: string]: unknown;
}

const isNode = (value: unknown): value is AnyNode =>
  typeof value === 'object' && value !== null && typeof (value as AnyNode).type === 'string';

/**
 * Visits every node from the outside in, with the nodes around it. It keeps its own stack, so that no nesting
 * of the script's is too deep for it.
 */
export function walk(root: AnyNode, visit: (node: AnyNode, scope: Scope) => void): void {
  const stack: { node: AnyNode; scope: Scope }[] = [
    { node: root, scope: { depth: 0, params: new Map(), names: new Set(), outer: null } },
  ];
  for (let next = stack.pop(); next; next = stack.pop()) {
    const { node, scope } = next;
    visit(node, scope);
    const inside = opensScope(node) ? innerScope(node, scope) : scope;
    const children: AnyNode[] = [];
    for (const member in node) {
      if (member === 'type' || member === 'start' || member === 'end' || member === 'calledWith') continue;
      const value = node[member];
      if (isNode(value)) children.push(value);
      else if (Array.isArray(value))
        for (const item of value as unknown[]) if (isNode(item)) children.push(item);
    }
    for (let i = children.length - 1; i >= 0; i--) stack.push({ node: children[i]!, scope: inside });
  }
}

/** What is known of names at a place. */
export interface Scope {
  /** How many functions are around it. */
  depth: number;
  /** Parameters of functions that are called where they stand, with what they are called with. */
  params: Map<string, AnyNode>;
  /** Names that are declared in the function. */
  names: Set<string>;
  outer: Scope | null;
}

const opensScope = (node: AnyNode): boolean =>
  node.type === 'FunctionExpression' ||
  node.type === 'FunctionDeclaration' ||
  node.type === 'ArrowFunctionExpression';

/* Parameters of a function that is called at once stand for what they are given: `(function (w, d)
   {…})(window, document)`. */
function innerScope(node: AnyNode, outer: Scope): Scope {
  const given = (node['calledWith'] as AnyNode[] | undefined) ?? [];
  const params = new Map<string, AnyNode>();
  const names = new Set<string>();
  (node['params'] as AnyNode[]).forEach((param, i) => {
    if (param.type !== 'Identifier') return;
    names.add(String(param['name']));
    if (given[i]) params.set(String(param['name']), given[i]);
  });
  return { depth: outer.depth + 1, params, names, outer };
}

/** Whether a name is declared in one of the functions around a place. */
export function isLocal(name: string, scope: Scope): boolean {
  for (let at: Scope | null = scope; at; at = at.outer) if (at.names.has(name)) return true;
  return false;
}

/** What a name stands for, where it is a parameter of a function that is called at once. */
export function givenFor(name: string, scope: Scope): AnyNode | null {
  for (let at: Scope | null = scope; at; at = at.outer) {
    const found = at.params.get(name);
    if (found) return found;
    if (at.names.has(name)) return null;
  }
  return null;
}
