import { memberName, pathOf } from './constants.ts';
import { isNewImage, noteCreated } from './declarations.ts';
import { isGuarded, nameGiven } from './guards.ts';
import { addAddresses, globals, realPath, type AddressUse, type Pass } from './pass.ts';
import { isLocal, type AnyNode, type Scope } from './walk.ts';

const usesOfElement = new Map<string, AddressUse>(
  Object.entries({
    script: 'script',
    iframe: 'frame',
    img: 'image',
    link: 'stylesheet',
    video: 'media',
    audio: 'media',
  } as const),
);

/** What is written to a name, to a member of an element, or to the window. */
export function assign(node: AnyNode, scope: Scope, pass: Pass): void {
  const left = node['left'] as AnyNode;
  const right = node['right'] as AnyNode;
  if (left.type === 'Identifier') {
    const given = String(left['name']);
    noteCreated(given, right, pass);
    if (isLocal(given, scope)) return;
    const isShared = node['operator'] !== '=' || isGuarded(given, right) || isGuardedAt(given, node, pass);
    pass.facts.globals.push({ name: given, shared: isShared });
    return;
  }
  if (left.type !== 'MemberExpression') return;
  const property = memberName(left);
  const object = realPath(left['object'] as AnyNode, scope, pass.aliases);
  if (property) assignMember(property, object, { left, right }, pass);
  if (property && isHandler(property, object)) pass.facts.listeners.push(property.slice(2));
  else if (globals.has(object)) assignGlobal(node, property, scope, pass);
}

const isHandler = (property: string, object: string): boolean =>
  /^on[a-z]+$/.test(property) && (globals.has(object) || object === 'document');

function assignMember(
  property: string,
  object: string,
  { left, right }: { left: AnyNode; right: AnyNode },
  pass: Pass,
): void {
  if (property === 'src' || property === 'href') assignAddress(property, left, right, pass);
  if (property === 'innerHTML' || property === 'outerHTML')
    for (const markup of pass.texts(right)) addAddresses(markup, pass.facts);
  if ((property === 'cookie' && /document$/.test(object)) || /(?:^|\.)(?:local|session)Storage$/.test(object))
    pass.facts.storesData = true;
}

function assignAddress(property: 'src' | 'href', left: AnyNode, right: AnyNode, pass: Pass): void {
  const owner = left['object'] as AnyNode;
  const element = isNewImage(owner) ? 'img' : pass.created.get(pathOf(owner));
  const isLink = property === 'href' && element !== 'link';
  const usual = property === 'href' ? 'link' : 'script';
  pass.address(right, (element && usesOfElement.get(element)) || usual, isLink ? 'use' : 'load');
}

/* `w[n] = w[n] || …` with the name passed in: the name is what the function was given. */
function assignGlobal(node: AnyNode, property: string | null, scope: Scope, pass: Pass): void {
  const { facts, text } = pass;
  const given = property ?? nameGiven(node['left'] as AnyNode, scope, text);
  if (!given || given === 'location') return;
  const isShared =
    node['operator'] !== '=' ||
    isGuarded(given, node['right'] as AnyNode, scope, text) ||
    isGuardedAt(given, node, pass);
  facts.globals.push({ name: given, shared: isShared });
}

const isGuardedAt = (given: string, node: AnyNode, { guards }: Pass): boolean =>
  guards.some(({ name, start, end }) => name === given && start <= node.start && node.end <= end);
