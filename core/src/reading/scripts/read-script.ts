import { parse, tokenizer, tokTypes } from 'acorn';
import { constantText, memberName, pathOf } from './constants.ts';
import { addressesIn, looksLikeAddress, noScriptFacts, type ScriptFacts } from './facts.ts';
import { givenFor, isLocal, walk, type AnyNode, type Scope } from './walk.ts';

/** Beyond this length (UTF-16 code units) a script is read by its tokens only: acorn's declarations grow with the square. */
export const scriptBudget = 60_000;

/** Reads an inline script without running it. What does not parse is read by its tokens. */
export function readScript(text: string): ScriptFacts {
  if (text.length > scriptBudget) return byTokens(text);
  try {
    const program = parse(text, {
      ecmaVersion: 'latest',
      sourceType: 'script',
      allowReturnOutsideFunction: true,
      allowAwaitOutsideFunction: true,
      allowHashBang: true,
    });
    return byTree(program as unknown as AnyNode);
  } catch {
    try {
      return byTree(
        parse(text, {
          ecmaVersion: 'latest',
          sourceType: 'module',
          allowReturnOutsideFunction: true,
        }) as unknown as AnyNode,
      );
    } catch {
      return byTokens(text);
    }
  }
}

const globals = new Set(['window', 'self', 'globalThis', 'top', 'parent', 'frames']);
const finders: Record<string, 'ids' | 'classes' | 'fields' | 'selector'> = {
  getElementById: 'ids',
  getElementsByClassName: 'classes',
  getElementsByName: 'fields',
  querySelector: 'selector',
  querySelectorAll: 'selector',
  closest: 'selector',
};
/* Methods whose first argument is contacted at once. */
const contacting: Record<string, ScriptFacts['addresses'][number]['use']> = {
  fetch: 'data',
  sendBeacon: 'data',
  getJSON: 'data',
  ajax: 'data',
  getScript: 'script',
  importScripts: 'script',
  WebSocket: 'data',
  EventSource: 'data',
};

function byTree(program: AnyNode): ScriptFacts {
  const facts = noScriptFacts();
  const known = constantNames(program);
  const created = new Map<string, string>();
  const text = (node: unknown): string | null => constantText(node as AnyNode, known);
  const seen = new Set<AnyNode>();
  const address = (
    node: unknown,
    use: ScriptFacts['addresses'][number]['use'],
    when: 'load' | 'use',
  ): void => {
    const value = text(node);
    if (value === null || !looksLikeAddress(value)) return;
    seen.add(node as AnyNode);
    markInside(node as AnyNode, seen);
    facts.addresses.push({ url: value, use, when });
  };

  walk(program, (node, scope) => {
    switch (node.type) {
      case 'CallExpression':
      case 'NewExpression': {
        const callee = node['callee'] as AnyNode;
        const args = node['arguments'] as AnyNode[];
        if (callee.type === 'FunctionExpression' || callee.type === 'ArrowFunctionExpression')
          callee['calledWith'] = args;
        readCall(callee, args, scope, facts, text, address);
        // Pieces that are joined by a call: `['https:', '', host].join('/')`.
        if (callee.type === 'MemberExpression') address(node, 'data', 'use');
        return;
      }
      case 'VariableDeclarator':
        declare(node, scope, facts, created, text);
        return;
      case 'FunctionDeclaration': {
        const name = String((node['id'] as AnyNode)['name']);
        if (scope.depth === 0) facts.globals.push({ name, shared: false });
        else scope.names.add(name);
        return;
      }
      case 'ClassDeclaration':
        if (scope.depth === 0)
          facts.globals.push({ name: String((node['id'] as AnyNode)['name']), shared: false });
        return;
      case 'AssignmentExpression':
        assign(node, scope, facts, created, address, text);
        return;
      case 'ImportExpression':
      case 'ImportDeclaration':
        address(node['source'], 'script', 'load');
        return;
      case 'Literal':
      case 'TemplateLiteral':
      case 'BinaryExpression': {
        if (seen.has(node)) return;
        const value = text(node);
        if (value === null) return;
        if (looksLikeAddress(value)) address(node, 'data', 'use');
        else if (/<[a-z]/i.test(value))
          for (const url of addressesIn(value)) facts.addresses.push({ url, use: 'data', when: 'load' });
        if (node.type === 'BinaryExpression') markInside(node, seen);
        return;
      }
    }
  });
  return tidy(facts);
}

function readCall(
  callee: AnyNode,
  args: AnyNode[],
  scope: Scope,
  facts: ScriptFacts,
  text: (node: unknown) => string | null,
  address: (node: unknown, use: ScriptFacts['addresses'][number]['use'], when: 'load' | 'use') => void,
): void {
  const name =
    callee.type === 'MemberExpression'
      ? memberName(callee)
      : callee.type === 'Identifier'
        ? String(callee['name'])
        : null;
  if (!name) return;
  const object = callee.type === 'MemberExpression' ? realPath(callee['object'] as AnyNode, scope) : '';
  const finder = finders[name];
  const [first] = args;
  if (finder) {
    const value = text(first);
    if (value !== null) {
      if (finder === 'selector') readSelector(value, facts);
      else facts[finder].push(value);
    }
  }
  if (name === 'createElement' && text(first)) facts.creates.push(text(first)!.toLowerCase());
  if ((name === 'write' || name === 'writeln') && /document$/.test(object)) {
    facts.writesDocument = true;
    for (const argument of args)
      for (const url of addressesIn(text(argument) ?? ''))
        facts.addresses.push({ url, use: 'data', when: 'load' });
  }
  if (
    name === 'addEventListener' &&
    (object === '' || object === 'window' || object === 'self' || /document$/.test(object)) &&
    text(first)
  )
    facts.listeners.push(text(first)!);
  if (name === 'play') facts.plays = true;
  if (name === 'open' && (object === '' || globals.has(object))) {
    facts.opensWindows = true;
    address(first, 'link', 'use');
  }
  const use = contacting[name];
  if (use) address(first, use, 'load');
  if (/(?:^|\.)(?:localStorage|sessionStorage)$/.test(object)) facts.storesData = true;
  if (object && !/^(?:window|document|console|Math|JSON|Object|Array)\b/.test(object))
    facts.calls.push(`${object}.${name}`);
}

function declare(
  node: AnyNode,
  scope: Scope,
  facts: ScriptFacts,
  created: Map<string, string>,
  text: (node: unknown) => string | null,
): void {
  const id = node['id'] as AnyNode;
  if (id.type !== 'Identifier') return;
  const name = String(id['name']);
  const init = node['init'] as AnyNode | null;
  if (scope.depth === 0) facts.globals.push({ name, shared: isGuarded(name, init) });
  else scope.names.add(name);
  noteCreated(name, init, created, text);
}

function noteCreated(
  name: string,
  value: AnyNode | null,
  created: Map<string, string>,
  text: (node: unknown) => string | null,
): void {
  if (value?.type === 'AssignmentExpression')
    return noteCreated(name, value['right'] as AnyNode, created, text);
  if (isNewImage(value)) created.set(name, 'img');
  if (value?.type !== 'CallExpression') return;
  const callee = value['callee'] as AnyNode;
  if (callee.type === 'MemberExpression' && memberName(callee) === 'createElement')
    created.set(name, (text((value['arguments'] as AnyNode[])[0]) ?? '').toLowerCase());
}

const isNewImage = (node: AnyNode | null): boolean =>
  node?.type === 'NewExpression' && (node['callee'] as AnyNode)['name'] === 'Image';

const usesOfElement: Record<string, ScriptFacts['addresses'][number]['use']> = {
  script: 'script',
  iframe: 'frame',
  img: 'image',
  link: 'stylesheet',
  video: 'media',
  audio: 'media',
};

function assign(
  node: AnyNode,
  scope: Scope,
  facts: ScriptFacts,
  created: Map<string, string>,
  address: (node: unknown, use: ScriptFacts['addresses'][number]['use'], when: 'load' | 'use') => void,
  text: (node: unknown) => string | null,
): void {
  const left = node['left'] as AnyNode;
  const right = node['right'] as AnyNode;
  if (left.type === 'Identifier') {
    const name = String(left['name']);
    noteCreated(name, right, created, text);
    if (!isLocal(name, scope))
      facts.globals.push({ name, shared: node['operator'] !== '=' || isGuarded(name, right) });
    return;
  }
  if (left.type !== 'MemberExpression') return;
  const property = memberName(left);
  const object = realPath(left['object'] as AnyNode, scope);
  if (property === 'src' || property === 'href') {
    const element = isNewImage(left['object'] as AnyNode)
      ? 'img'
      : created.get(pathOf(left['object'] as AnyNode));
    address(
      right,
      (element && usesOfElement[element]) || (property === 'href' ? 'link' : 'script'),
      property === 'href' && element !== 'link' ? 'use' : 'load',
    );
  }
  if (property === 'innerHTML' || property === 'outerHTML')
    for (const url of addressesIn(text(right) ?? ''))
      facts.addresses.push({ url, use: 'data', when: 'load' });
  if (property === 'cookie' && /document$/.test(object)) facts.storesData = true;
  if (property && /^on[a-z]+$/.test(property) && (globals.has(object) || object === 'document'))
    facts.listeners.push(property.slice(2));
  else if (globals.has(object)) {
    // `w[n] = w[n] || …` with the name passed in: the name is what the function was given.
    const name = property ?? nameGiven(left, scope, text);
    if (name && name !== 'location')
      facts.globals.push({ name, shared: node['operator'] !== '=' || isGuarded(name, right, scope, text) });
  }
}

function nameGiven(member: AnyNode, scope: Scope, text: (node: unknown) => string | null): string | null {
  const property = member['property'] as AnyNode;
  if (!member['computed']) return null;
  if (property.type === 'Identifier') {
    const given = givenFor(String(property['name']), scope);
    if (given) return text(given);
  }
  return text(property);
}

/* A path in which a name that was passed in stands for what was passed: `d` for `document`, `w` for `window`. */
function realPath(node: AnyNode, scope: Scope): string {
  const path = pathOf(node);
  const [head = '', ...rest] = path.split('.');
  const given = head ? givenFor(head, scope) : null;
  const real = given ? pathOf(given) : head;
  return [real === 'this' && scope.depth <= 1 ? 'window' : real, ...rest]
    .join('.')
    .replace(/^(?:window|self|globalThis)\.(?=.)/, '');
}

/* `x = x || …`, `x = window.x || …`, `x ??= …`, and `typeof x === 'undefined' ? … : x` get on with what is there. */
function isGuarded(
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

function readSelector(selector: string, facts: ScriptFacts): void {
  const pattern =
    /([#.])(-?[_a-zA-Z\u0080-\uffff][\w\u0080-\uffff-]*)|\[\s*name\s*[~|^$*]?=\s*["']?([^"'\]]+)/g;
  for (let found = pattern.exec(selector); found; found = pattern.exec(selector)) {
    if (found[1] === '#') facts.ids.push(found[2]!);
    else if (found[1] === '.') facts.classes.push(found[2]!);
    else if (found[3]) facts.fields.push(found[3]);
  }
}

/* Names that are given one constant text, and no other, anywhere in the script. */
function constantNames(program: AnyNode): Map<string, string> {
  const known = new Map<string, string>();
  const changed = new Set<string>();
  walk(program, (node) => {
    if (node.type === 'VariableDeclarator' && (node['id'] as AnyNode).type === 'Identifier') {
      const name = String((node['id'] as AnyNode)['name']);
      const value = constantText(node['init'] as AnyNode | null, known);
      if (value === null || known.has(name)) changed.add(name);
      else known.set(name, value);
    } else if (node.type === 'AssignmentExpression' && (node['left'] as AnyNode).type === 'Identifier')
      changed.add(String((node['left'] as AnyNode)['name']));
    else if (node.type === 'UpdateExpression') changed.add(pathOf(node['argument'] as AnyNode));
  });
  for (const name of changed) known.delete(name);
  return known;
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
      const value = String((token as { value?: unknown }).value ?? '');
      if (token.type === tokTypes.string && looksLikeAddress(value))
        facts.addresses.push({ url: value, use: 'data', when: 'load' });
      if (token.type === tokTypes.name && (value === 'write' || value === 'writeln') && before === 'document')
        facts.writesDocument = true;
      if (token.type === tokTypes.name) before = value;
    }
  } catch {
    // The rest cannot even be cut into tokens: what stands in it like an address is one as far as anybody can tell.
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
    // A name that is made twice is shared only where every time is.
    globals: once(facts.globals, (g) => g.name).map(({ name }) => ({
      name,
      shared: facts.globals.filter((g) => g.name === name).every((g) => g.shared),
    })),
  };
}
