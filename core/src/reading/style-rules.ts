import { generate, tokenize, tokenTypes, walk, type CssNode, type Rule } from 'css-tree';
import { parseCss } from '../text/css.ts';

/** What the rules of a `style` element show of themselves. */
export interface StyleFacts {
  /** False where it was too long, and only its tokens were read. */
  whole: boolean;
  addresses: { url: string; use: 'stylesheet' | 'image' }[];
  /** Rules with plain selectors, for sizes and for what they reach. */
  rules: {
    selector: string;
    ids: string[];
    classes: string[];
    declarations: Map<string, string>;
    start: number;
  }[];
}

/**
 * Beyond this length (UTF-16 code units) rules are read by their tokens only: broken ones cost css-tree much
 * more than good ones.
 */
const styleBudget = 30_000;

/** Reads the rules of a `style` element (CSS Syntax 3). What is broken is passed over. */
export function readStyleRules(text: string): StyleFacts {
  const facts: StyleFacts = { whole: text.length <= styleBudget, addresses: [], rules: [] };
  if (!facts.whole) {
    tokenize(text, (type, start, end) => {
      if (type === tokenTypes.Url)
        facts.addresses.push({ url: unwrap(text.slice(start, end)), use: 'image' });
    });
    return facts;
  }
  const tree = parseCss(text, {
    positions: true,
    parseValue: true,
    parseCustomProperty: false,
    onParseError: () => {},
  });
  walk(tree, function (node) {
    if (node.type === 'Url') facts.addresses.push({ url: node.value, use: 'image' });
    else if (node.type === 'Atrule' && node.name.toLowerCase() === 'import') readImport(node, facts);
    // The steps of an animation (CSS Animations 1, section 3) select nothing.
    else if (node.type === 'Rule' && !/keyframes$/i.test(this.atrule?.name ?? ''))
      facts.rules.push(...readRule(node));
  });
  return facts;
}

function readImport(node: CssNode, facts: StyleFacts): void {
  walk(node, (inner) => {
    if (inner.type === 'String' || inner.type === 'Url')
      facts.addresses.push({ url: inner.value, use: 'stylesheet' });
  });
}

function readRule(rule: Rule): StyleFacts['rules'] {
  if (rule.prelude.type !== 'SelectorList') return [];
  const declarations = new Map<string, string>();
  rule.block.children.forEach((child) => {
    if (child.type === 'Declaration')
      declarations.set(child.property.toLowerCase(), generate(child.value).trim());
  });
  return rule.prelude.children.toArray().map((selector) => {
    const ids: string[] = [];
    const classes: string[] = [];
    walk(selector, (part) => {
      if (part.type === 'IdSelector') ids.push(part.name);
      else if (part.type === 'ClassSelector') classes.push(part.name);
    });
    return { selector: generate(selector), ids, classes, declarations, start: rule.loc?.start.offset ?? 0 };
  });
}

const unwrap = (token: string): string =>
  token
    .replace(/^url\(\s{0,8}/i, '')
    .replace(/\)$/, '')
    .trim()
    .replace(/^["']|["']$/g, '');
