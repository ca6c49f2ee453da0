import { memberName, pathOf } from './constants.ts';
import type { ScriptFacts } from './facts.ts';
import { addAddresses, globals, realPath, type AddressUse, type Pass } from './pass.ts';
import { isLocal, givenFor, type AnyNode, type Scope } from './walk.ts';

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

/* Methods that write into the page as it is parsed (HTML, section 8.4.3). */
const writing = new Set(['write', 'writeln']);

/** What a call, or what is made with `new`, finds, contacts, writes and listens to. */
export function readCall(node: AnyNode, scope: Scope, pass: Pass): void {
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

function readSelector(selector: string, facts: ScriptFacts): void {
  const pattern =
    /([#.])(-?[_a-zA-Z\u0080-\uffff][\w\u0080-\uffff-]*)|\[\s*name\s*[~|^$*]?=\s*["']?([^"'\]]+)/g;
  for (let found = pattern.exec(selector); found; found = pattern.exec(selector)) {
    if (found[1] === '#') facts.ids.push(found[2]!);
    else if (found[1] === '.') facts.classes.push(found[2]!);
    else if (found[3]) facts.fields.push(found[3]);
  }
}
