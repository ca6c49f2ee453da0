import { parse, tokenizer, tokTypes } from 'acorn';
import { constantNames } from './constant-names.ts';
import { constantText, memberName, pathOf } from './constants.ts';
import { isGuarded, guardsOf, nameGiven, type Guard } from './guards.ts';
import { addressesIn, isNameOnly, looksLikeAddress, noScriptFacts, type ScriptFacts } from './facts.ts';
import { givenFor, isLocal, walk, type AnyNode, type Scope } from './walk.ts';

/**
 * Beyond this length (UTF-16 code units) a script is read by its tokens only: acorn's
 * declarations grow with the square.
 */
export const scriptBudget = 60_000;

/**
 * Reads an inline script without running it. What does not parse is read by its tokens.
 *
 * @param isModule - whether it runs as a module: its names at the top are its own then (HTML, section
 * 8.1.3.2).
 */
export function readScript(text: string, isModule = false): ScriptFacts {
  if (text.length > scriptBudget) return byTokens(text);
  const kinds = isModule ? (['module'] as const) : (['script', 'module'] as const);
  for (const sourceType of kinds) {
    try {
      const program = parse(text, {
        ecmaVersion: 'latest',
        sourceType,
        allowReturnOutsideFunction: true,
        allowAwaitOutsideFunction: true,
        allowHashBang: true,
      });
      return byTree(program as unknown as AnyNode, isModule);
    } catch {
      // The next kind, or the tokens.
    }
  }
  return byTokens(text);
}

const globals = new Set(['window', 'self', 'globalThis', 'top', 'parent', 'frames']);
type Finder = 'ids' | 'classes' | 'fields' | 'selector';
const finders = new Map<string, Finder>(
  Object.entries({
    getElementById: 'ids',
    getElementsByClassName: 'classes',
    getElementsByName: 'fields',
    querySelector: 'selector',
    querySelectorAll: 'selector',
    closest: 'selector',
  } as const),
);
/* Methods whose first argument is contacted at once. */
const contacting = new Map<string, AddressUse>(
  Object.entries({
    fetch: 'data',
    sendBeacon: 'data',
    getJSON: 'data',
    ajax: 'data',
    getScript: 'script',
    importScripts: 'script',
    WebSocket: 'data',
    EventSource: 'data',
  } as const),
);

/* What a script is read with: what was found so far, and how expressions come to texts and addresses. */
interface Pass {
  facts: ScriptFacts;
  /** Elements that were made, by the names that they were given. */
  created: Map<string, string>;
  text: (node: unknown) => string | null;
  /** What comes out of an expression whichever way its conditions go. */
  texts: (node: unknown) => string[];
  address: (node: unknown, use: AddressUse, when: 'load' | 'use') => void;
  /** Names that stand for the document or the window (`var d = document`). */
  aliases: Map<string, string>;
  /** Where a name is set only if nothing has it yet (`if (!window.lib) …`). */
  guards: Guard[];
  isModule: boolean;
}

type AddressUse = ScriptFacts['addresses'][number]['use'];

/* Methods that write into the page as it is parsed (HTML, section 8.4.3). */
const writing = new Set(['write', 'writeln']);

function byTree(program: AnyNode, isModule: boolean): ScriptFacts {
  const facts = noScriptFacts();
  const [known, ...others] = constantNames(program);
  const seen = new Set<AnyNode>();
  const text: Pass['text'] = (node) => constantText(node as AnyNode, known!);
  const texts: Pass['texts'] = (node) => {
    const all = [text(node), ...others.map((other) => constantText(node as AnyNode, other))];
    return [...new Set(all.filter((value) => value !== null))];
  };
  const address: Pass['address'] = (node, use, when) => {
    const addresses = texts(node).filter(looksLikeAddress);
    if (addresses.length === 0) return;
    seen.add(node as AnyNode);
    markInside(node as AnyNode, seen);
    for (const url of addresses) if (!isNameOnly(url)) facts.addresses.push({ url, use, when });
  };
  const pass: Pass = {
    facts,
    created: new Map(),
    text,
    texts,
    address,
    aliases: new Map(),
    guards: [],
    isModule,
  };
  walk(program, (node, scope) => {
    switch (node.type) {
      case 'CallExpression':
      case 'NewExpression':
        return readCall(node, scope, pass);
      case 'VariableDeclarator':
        return declare(node, scope, pass);
      case 'FunctionDeclaration':
      case 'ClassDeclaration':
        return name(node, scope, pass);
      case 'AssignmentExpression':
        return assign(node, scope, pass);
      case 'IfStatement':
        return void pass.guards.push(...guardsOf(node['test'], node['consequent']));
      case 'LogicalExpression':
        return void pass.guards.push(...guardsOf(node['left'], node['right'], node['operator'] === '||'));
      case 'Property':
        return noteKey(node, facts);
      case 'ImportExpression':
      case 'ImportDeclaration':
        return address(node['source'], 'script', 'load');
      case 'Literal':
      case 'TemplateLiteral':
      case 'BinaryExpression':
        if (!seen.has(node)) readText(node, seen, pass);
    }
  });
  return tidy(facts);
}

/* Data of any length has the same few keys again and again. */
const mostKeys = 100;

function noteKey({ key, computed }: AnyNode, { keys }: ScriptFacts): void {
  const { name, value } = key as AnyNode;
  if (computed === false && keys.length < mostKeys) keys.push(String(name ?? value));
}

/* An address, or markup with addresses, that stands in a script for itself. */
function readText(node: AnyNode, seen: Set<AnyNode>, { facts, texts, address }: Pass): void {
  const values = texts(node);
  if (values.some(looksLikeAddress)) address(node, 'data', 'use');
  else for (const value of values) if (/<[a-z]/i.test(value)) addAddresses(value, facts);
  if (node.type !== 'BinaryExpression') return;
  if (values.length > 0) markInside(node, seen);
  else if (isHalfAddress(node)) seen.add(node['left'] as AnyNode);
}

/* `'https://cdn' + n + '.a.example'`: what stands before the sum is the beginning of a host at most. */
function isHalfAddress({ left, right }: AnyNode): boolean {
  const [begun, next] = [(left as AnyNode)['value'], (right as AnyNode)['value']];
  const host = typeof begun === 'string' ? /^(?:\w+:)?\/\/([\w.-]*)$/.exec(begun)?.[1] : undefined;
  if (host === undefined) return false;
  return !/\.[a-z]{2,}$/i.test(host) || (typeof next === 'string' && /^[\w.-]/.test(next));
}

function name(node: AnyNode, scope: Scope, pass: Pass): void {
  const given = String((node['id'] as AnyNode)['name']);
  if (isGlobal(scope, pass)) pass.facts.globals.push({ name: given, shared: false });
  else if (node.type === 'FunctionDeclaration') scope.names.add(given);
}

/* Addresses in a piece of markup that a script writes. */
function addAddresses(markup: string, facts: ScriptFacts): void {
  for (const url of addressesIn(markup)) facts.addresses.push({ url, use: 'data', when: 'load' });
}

function readCall(node: AnyNode, scope: Scope, pass: Pass): void {
  const callee = node['callee'] as AnyNode;
  const args = node['arguments'] as AnyNode[];
  if (callee.type === 'FunctionExpression' || callee.type === 'ArrowFunctionExpression')
    callee['calledWith'] = args;
  const called = calledName(callee);
  if (called && node.type === 'NewExpression') noteMade(called, callee, scope, pass.facts);
  if (called) readNamedCall(called, callee, args, scope, pass);
  // Pieces that are joined by a call: `['https:', '', host].join('/')`.
  if (callee.type === 'MemberExpression') pass.address(node, 'data', 'use');
}

function calledName(callee: AnyNode): string | null {
  if (callee.type === 'MemberExpression') return memberName(callee);
  return callee.type === 'Identifier' ? String(callee['name']) : null;
}

function readNamedCall(
  called: string,
  callee: AnyNode,
  args: readonly AnyNode[],
  scope: Scope,
  pass: Pass,
): void {
  const { facts, text, address } = pass;
  const isMember = callee.type === 'MemberExpression';
  const object = isMember ? realPath(callee['object'] as AnyNode, scope, pass.aliases) : '';
  const [first] = args;
  const value = text(first);
  const finder = finders.get(called);
  if (finder) readFinder(finder, value, facts);
  // A method of what has no name is one of an element.
  if (value) readOfPage(called, isMember ? object || 'element' : '', value, facts);
  if (writing.has(called) && /document$/.test(object)) readWriting(args, pass);
  if (called === 'open' && isOfWindow(isMember, object)) {
    facts.opensWindows = true;
    address(first, 'link', 'use');
  }
  const use = contacting.get(called);
  if (use) address(first, use, 'load');
  facts.plays ||= called === 'play';
  facts.storesData ||= /(?:^|\.)(?:localStorage|sessionStorage)$/.test(object);
  if (isLibrary(object) && !isOwn(callee, scope)) facts.calls.push(`${object}.${called}`);
}

const isOfWindow = (isMember: boolean, object: string): boolean => !isMember || globals.has(object);

/* Whether what is called belongs to the function around it: neither passed in nor everybody's. */
function isOwn(callee: AnyNode, scope: Scope): boolean {
  const head = pathOf(callee).split('.')[0]!;
  return head !== '' && isLocal(head, scope) && givenFor(head, scope) === null;
}

/* `new Library.Box(…)`, but not what every browser has. */
function noteMade(called: string, callee: AnyNode, scope: Scope, { calls }: ScriptFacts): void {
  const path = pathOf(callee) || called;
  if (/^[A-Z]/.test(called) && !ofBrowsers.has(path) && !isOwn(callee, scope)) calls.push(`${path}.new`);
}

const ofBrowsers = new Set(
  `Array Date Map Set WeakMap WeakSet Object Function Error Promise RegExp Proxy URL URLSearchParams Image Audio
  Option XMLHttpRequest WebSocket EventSource Worker Blob File FileReader FormData Headers Request Response Event
  CustomEvent MutationObserver IntersectionObserver ResizeObserver PerformanceObserver AbortController
  TextEncoder TextDecoder DOMParser Uint8Array Float32Array ArrayBuffer DataView Intl.DateTimeFormat
  Intl.NumberFormat Notification BroadcastChannel MessageChannel AudioContext Path2D`.split(/\s+/),
);

const isLibrary = (object: string): boolean =>
  object !== '' && !/^(?:window|document|console|Math|JSON|Object|Array)\b/.test(object);

function readWriting(args: readonly AnyNode[], { facts, texts }: Pass): void {
  facts.writesDocument = true;
  for (const argument of args) for (const written of texts(argument)) addAddresses(written, facts);
}

function readFinder(finder: Finder, value: string | null, facts: ScriptFacts): void {
  if (value === null) return;
  if (finder === 'selector') readSelector(value, facts);
  else facts[finder].push(value);
}

/* Elements that are made, and what is listened to on the page as a whole. */
function readOfPage(called: string, object: string, value: string, facts: ScriptFacts): void {
  if (called === 'createElement') facts.creates.push(value.toLowerCase());
  const isOfPage = ['', 'window', 'self'].includes(object) || /document$/.test(object);
  if (called === 'addEventListener' && isOfPage) facts.listeners.push(value);
}

/* What a script declares outside of functions is everybody's, and what a module declares its own. */
const isGlobal = (scope: Scope, { isModule }: Pass): boolean => scope.depth === 0 && !isModule;

function declare(node: AnyNode, scope: Scope, pass: Pass): void {
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

function noteCreated(given: string, value: AnyNode | null, pass: Pass): void {
  if (value?.type === 'AssignmentExpression') return noteCreated(given, value['right'] as AnyNode, pass);
  if (isNewImage(value)) pass.created.set(given, 'img');
  if (value?.type !== 'CallExpression') return;
  const callee = value['callee'] as AnyNode;
  if (callee.type === 'MemberExpression' && memberName(callee) === 'createElement')
    pass.created.set(given, (pass.text((value['arguments'] as AnyNode[])[0]) ?? '').toLowerCase());
}

const isNewImage = (node: AnyNode | null): boolean =>
  node?.type === 'NewExpression' && (node['callee'] as AnyNode)['name'] === 'Image';

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

function assign(node: AnyNode, scope: Scope, pass: Pass): void {
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
  if (property === 'cookie' && /document$/.test(object)) pass.facts.storesData = true;
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

/* A path in which a name that was passed in stands for what was passed: `d` for `document`, `w` for
   `window`. */
function realPath(node: AnyNode, scope: Scope, aliases: ReadonlyMap<string, string>): string {
  const path = pathOf(node);
  const [head = '', ...rest] = path.split('.');
  const given = head ? givenFor(head, scope) : null;
  const real = given ? pathOf(given) : (aliases.get(head) ?? head);
  return [real === 'this' && scope.depth <= 1 ? 'window' : real, ...rest]
    .join('.')
    .replace(/^(?:window|self|globalThis)\.(?=.)/, '');
}

function readSelector(selector: string, facts: ScriptFacts): void {
  const pattern =
    /([#.])(-?[_a-zA-Z\u0080-\uffff][\w\u0080-\uffff-]*)|\[\s*name\s*[~|^$*]?=\s*["']?([^"'\]]+)/g;
  for (let found = pattern.exec(selector); found; found = pattern.exec(selector)) {
    if (found[1] === '#') facts.ids.push(found[2]!);
    else if (found[1] === '.') facts.classes.push(found[2]!);
    else if (found[3]) facts.fields.push(found[3]);
  }
}

function markInside(node: AnyNode, seen: Set<AnyNode>): void {
  walk(node, (inner) => void seen.add(inner));
}

/* The tokens alone tell addresses in strings, and the plainest words. */
function byTokens(text: string): ScriptFacts {
  const facts = { ...noScriptFacts(), whole: false };
  try {
    let before = '';
    for (const token of tokenizer(text, { ecmaVersion: 'latest', allowHashBang: true })) {
      const { value: given } = token as { value?: unknown };
      const value = typeof given === 'string' ? given : '';
      if (token.type === tokTypes.string && looksLikeAddress(value))
        facts.addresses.push({ url: value, use: 'data', when: 'load' });
      if (token.type === tokTypes.name && (value === 'write' || value === 'writeln') && before === 'document')
        facts.writesDocument = true;
      if (token.type === tokTypes.name) before = value;
    }
  } catch {
    // The rest cannot even be cut into tokens: what stands in it like an address is one as
    // far as anybody can tell.
    for (const url of addressesIn(text)) facts.addresses.push({ url, use: 'data', when: 'load' });
    if (/\bdocument\s?\.\s?write(?:ln)?\s?\(/.test(text)) facts.writesDocument = true;
  }
  return tidy(facts);
}

function tidy(facts: ScriptFacts): ScriptFacts {
  const once = <T>(items: T[], keyOf: (item: T) => string): T[] => [
    ...new Map(items.map((item) => [keyOf(item), item])).values(),
  ];
  const plain = (item: string): string => item;
  return {
    ...facts,
    addresses: once(facts.addresses, (a) => `${a.url} ${a.use}`),
    ids: once(facts.ids, plain),
    classes: once(facts.classes, plain),
    fields: once(facts.fields, plain),
    listeners: once(facts.listeners, plain),
    creates: once(facts.creates, plain),
    calls: once(facts.calls, plain),
    keys: once(facts.keys, plain),
    // A name that is made twice is shared only where every time is.
    globals: once(facts.globals, (g) => g.name).map(({ name }) => ({
      name,
      shared: facts.globals.filter((g) => g.name === name).every((g) => g.shared),
    })),
  };
}
