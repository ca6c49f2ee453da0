import type { AnyNode } from './walk.ts';

/** What is known of a script's names, and which way is taken where a value depends on a condition. */
export interface Known {
  /** Texts by name, also by dotted path. */
  names: ReadonlyMap<string, string>;
  takes: 'first' | 'second';
}

/**
 * The value of an expression that is put together from constants only, as far as that can be told without
 * running it; null where it cannot. The page's own protocol counts as https:.
 */
export function constantText(
  node: AnyNode | null | undefined,
  { names, takes }: Known,
  depth = 0,
): string | null {
  if (!node || depth > 64) return null;
  const inner = (child: unknown): string | null =>
    constantText(child as AnyNode, { names, takes }, depth + 1);
  switch (node.type) {
    case 'Literal':
      return typeof node['value'] === 'string' || typeof node['value'] === 'number'
        ? String(node['value'])
        : null;
    case 'TemplateLiteral':
      return templateText(node, inner);
    case 'BinaryExpression':
      return node['operator'] === '+' ? sumText(inner(node['left']), inner(node['right'])) : null;
    case 'Identifier':
      return names.get(String(node['name'])) ?? null;
    case 'MemberExpression':
      return isProtocol(node) ? 'https:' : (names.get(pathOf(node)) ?? null);
    case 'ConditionalExpression':
      return either(node['consequent'], node['alternate'], takes, inner);
    case 'LogicalExpression':
      return either(node['left'], node['right'], takes, inner);
    case 'CallExpression':
      return callText(node, inner);
    default:
      return null;
  }
}

type TextOf = (node: unknown) => string | null;

/* The page's own protocol: `location.protocol`. */
const isProtocol = (member: AnyNode): boolean =>
  memberName(member) === 'protocol' && /location$/.test(pathOf(member['object'] as AnyNode));

const either = (one: unknown, other: unknown, takes: Known['takes'], inner: TextOf): string | null =>
  takes === 'first' ? (inner(one) ?? inner(other)) : (inner(other) ?? inner(one));

function templateText(node: AnyNode, inner: TextOf): string | null {
  const pieces = (node['quasis'] as AnyNode[]).map(
    (quasi) => (quasi['value'] as { cooked: string | null }).cooked ?? '',
  );
  const values = (node['expressions'] as AnyNode[]).map(inner);
  // What follows the first unknown value is not known, but what stands before it often is the address.
  let text = pieces[0]!;
  for (const [i, value] of values.entries()) {
    if (value === null) return looksWhole(text) ? text : null;
    text += value + pieces[i + 1]!;
  }
  return text;
}

function sumText(left: string | null, right: string | null): string | null {
  if (left !== null && right !== null) return left + right;
  return left !== null && looksWhole(left) ? left : null;
}

/* What makes a text of a written one (ECMAScript, sections 19.2.6 and B.2.1; HTML, section 8.3). */
const decoders = new Map<string, (text: string) => string>(
  Object.entries({
    unescape: (text: string) =>
      text.replaceAll(/%([0-9a-f]{2})/gi, (_, code: string) => String.fromCharCode(parseInt(code, 16))),
    decodeURIComponent,
    decodeURI,
    atob,
  }),
);

function decoded(text: string | null, decode: (text: string) => string): string | null {
  if (text === null) return null;
  try {
    return decode(text);
  } catch {
    return null;
  }
}

/* `'a'.concat('b')` and `['a', 'b'].join('/')`. */
function callText(node: AnyNode, inner: TextOf): string | null {
  const callee = node['callee'] as AnyNode;
  const decode = decoders.get(pathOf(callee).replace(/^(?:window|self|globalThis)\./, ''));
  if (decode) return decoded(inner((node['arguments'] as AnyNode[])[0]), decode);
  if (callee.type !== 'MemberExpression') return null;
  const args = (node['arguments'] as AnyNode[]).map(inner);
  const object = callee['object'] as AnyNode;
  if (memberName(callee) === 'concat') {
    const all = [inner(object), ...args];
    return all.includes(null) ? null : all.join('');
  }
  if (memberName(callee) !== 'join' || object.type !== 'ArrayExpression') return null;
  const items = (object['elements'] as AnyNode[]).map(inner);
  return items.includes(null) || args[0] === null ? null : items.join(args[0] ?? ',');
}

/* The beginning of an address that already names its host. */
const looksWhole = (text: string): boolean => /^(?:https?:)?\/\/[a-z0-9.-]+\//i.test(text);

/** The name of a member, also where it stands in brackets as a constant. */
export function memberName(node: AnyNode): string | null {
  const property = node['property'] as AnyNode | undefined;
  if (!property) return null;
  if (!node['computed'] && property.type === 'Identifier') return String(property['name']);
  return property.type === 'Literal' && typeof property['value'] === 'string' ? property['value'] : null;
}

/** An expression of names and members as a dotted path (`a.b.c`); empty for anything else. */
export function pathOf(node: AnyNode | null | undefined, depth = 0): string {
  if (!node || depth > 32) return '';
  if (node.type === 'Identifier') return String(node['name']);
  if (node.type === 'ThisExpression') return 'this';
  if (node.type !== 'MemberExpression') return '';
  const object = pathOf(node['object'] as AnyNode, depth + 1);
  const name = memberName(node);
  return object && name ? `${object}.${name}` : '';
}
