import { parse } from 'acorn';
import { assign } from './assignments.ts';
import { byTokens } from './by-tokens.ts';
import { readCall } from './calls.ts';
import { constantNames } from './constant-names.ts';
import { constantText } from './constants.ts';
import { declare, declareNamed } from './declarations.ts';
import { isNameOnly, looksLikeAddress, noScriptFacts, type ScriptFacts } from './facts.ts';
import { guardsOf } from './guards.ts';
import { addAddresses, markInside, type Pass } from './pass.ts';
import { tidy } from './tidy.ts';
import { walk, type AnyNode } from './walk.ts';

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
        return declareNamed(node, scope, pass);
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
