import { attribute, innerText, type Markup, type MarkupElement, type MarkupNode } from '../text/index.ts';
import type { Part, Role } from './reading.ts';
import { isDataScript, partHolders, roleOf, type RoleContext } from './roles.ts';
import type { ScriptFacts } from './scripts/index.ts';

/** The parts of a code, and for each the element that it was read from (null for text and comments). */
export interface PartsRead {
  parts: Part[];
  elements: (MarkupElement | null)[];
}

/**
 * Cuts a code into parts. The top-level parts and the text between them tile the whole input; tags that stand
 * for nothing (stray end tags, `html`, `head` and `body`) stay in the text part where they stand.
 */
export function readParts(markup: Markup): PartsRead {
  const out: PartsRead = { parts: [], elements: [] };
  let held: ReadonlySet<MarkupElement> | null = null;
  const context: RoleContext = {
    markup,
    hasLoader: markup.elements.some((element) => element.name === 'script'),
    holders: () => (held ??= partHolders(markup)),
  };
  let at = 0;
  for (const node of markup.roots) {
    if (node.kind === 'text' || node.start < at) continue;
    if (node.start > at) add(out, 'text', at, node.start, null, null);
    readNode(context, node, null, out);
    at = node.end;
  }
  if (markup.text.length > at) add(out, 'text', at, markup.text.length, null, null);
  return out;
}

function add(
  out: PartsRead,
  role: Role,
  start: number,
  end: number,
  element: MarkupElement | null,
  inside: number | null,
): number {
  const head =
    element !== null &&
    (element.name === 'link' ||
      element.name === 'style' ||
      element.name === 'meta' ||
      element.name === 'base');
  out.parts.push({
    role,
    place: head ? 'head' : 'body',
    repeat: head ? 'page' : 'placement',
    start,
    end,
    inside,
    of: [],
  });
  out.elements.push(element);
  return out.parts.length - 1;
}

/* What a part is one of a kind with: nothing in it is a part of its own. */
const leaves = new Set<Role>(['form', 'image', 'loader', 'setup', 'style', 'mount', 'text']);

function readNode(context: RoleContext, node: MarkupNode, inside: number | null, out: PartsRead): void {
  if (node.kind !== 'element') {
    if (node.kind === 'comment') add(out, 'comment', node.start, node.end, null, inside);
    return;
  }
  const role = roleOf(context, node);
  const index = add(out, role, node.start, node.end, node, inside);
  if (role === 'frame' || role === 'media') {
    readFallback(context.markup, node, index, out);
    return;
  }
  if (role === 'form') {
    // A form's own scripts and styles are parts; its fields are not.
    for (const child of descendants(node, ['script', 'style', 'link', 'noscript', 'iframe']))
      readNode(context, child, index, out);
    return;
  }
  if (leaves.has(role)) return;
  for (const child of node.children) {
    if (child.kind === 'element' && roleOf(context, child) !== 'text') readNode(context, child, index, out);
  }
}

function descendants(element: MarkupElement, names: readonly string[]): MarkupElement[] {
  return element.children.flatMap((child) =>
    child.kind !== 'element' ? [] : names.includes(child.name) ? [child] : descendants(child, names),
  );
}

/* What stands in a frame or player is for whoever cannot see it; `source`, `track` and `param` feed it. */
function readFallback(markup: Markup, element: MarkupElement, index: number, out: PartsRead): void {
  if (element.children.length === 0) return;
  const feeding = element.children.filter(
    (child) => child.kind === 'element' && ['source', 'track', 'param'].includes(child.name),
  );
  const rest = element.children.filter((child) => !feeding.includes(child) && child.kind !== 'comment');
  const end = element.endTagStart ?? element.end;
  if (!rest.some((child) => child.kind === 'element' || child.value.trim() !== '')) return;
  if (innerText(markup.text, element).trim() === '') return;
  const start = Math.max(feeding.at(-1)?.end ?? element.startTagEnd, element.startTagEnd);
  if (start >= end) return;
  out.parts[add(out, 'fallback', start, end, null, index)]!.of = [index];
}

/**
 * Says how often scripts and loaders are needed, where, and what they serve: what names an element of
 * this code, or fills a queue for it, belongs to each place; what only brings the provider's program
 * belongs to the page once.
 */
export function settleScripts(
  markup: Markup,
  { parts, elements }: PartsRead,
  factsOf: (element: MarkupElement) => ScriptFacts | null,
): void {
  if (!parts.some((part) => part.role === 'loader' || part.role === 'setup' || part.role === 'fallback'))
    return;
  const page: Around = { ...standing(parts), ...namesOf(markup) };
  parts.forEach((part, i) => {
    const element = elements[i];
    if (!element) return;
    if (part.role === 'fallback') part.of = i > 0 && part.of.length === 0 ? [i - 1] : part.of;
    if (part.role === 'loader' && element.name === 'link') part.of = served(page);
    if (element.name !== 'script') return;
    if (part.role === 'loader') placeLoader(part, element, page);
    if (part.role === 'setup')
      placeSetup(part, element, { facts: factsOf(element), text: innerText(markup.text, element) }, page);
  });
}

/* What scripts fill, and what shows something: at the top, or in a box that only holds it. */
function standing(parts: readonly Part[]): Pick<Around, 'mounts' | 'shown'> {
  const mounts: number[] = [];
  const shown: number[] = [];
  const isOpen: boolean[] = [];
  for (let i = 0; i < parts.length; i++) {
    const { role, inside } = parts[i]!;
    isOpen.push(inside === null || (isOpen[inside]! && parts[inside]!.role === 'wrapper'));
    if (role === 'mount') mounts.push(i);
    if (isOpen[i] && showing.has(role)) shown.push(i);
  }
  return { mounts, shown };
}
const showing: ReadonlySet<Role> = new Set<Role>(['mount', 'frame', 'media', 'form']);

function namesOf(markup: Markup): Pick<Around, 'ids' | 'classes' | 'fields'> {
  const [ids, classes, fields] = [new Set<string>(), new Set<string>(), new Set<string>()];
  for (const element of markup.elements) {
    const field = attribute(element, 'name');
    if (field) fields.add(field);
    const [id, names] = [attribute(element, 'id'), attribute(element, 'class')];
    if (id) ids.add(id);
    if (names) for (const name of names.split(/\s+/)) if (name) classes.add(name);
  }
  return { ids, classes, fields };
}

/* What stands around a part: the parts that scripts fill, those that show something, and by what names
   elements can be found. */
interface Around {
  mounts: number[];
  shown: number[];
  ids: ReadonlySet<string>;
  classes: ReadonlySet<string>;
  fields: ReadonlySet<string>;
}

const served = ({ mounts, shown }: Around): number[] => (mounts.length > 0 ? mounts : shown);

function placeLoader(part: Part, script: MarkupElement, page: Around): void {
  const { mounts, shown } = page;
  const isDeferred =
    ['async', 'defer'].some((name) => script.attributes.has(name)) ||
    attribute(script, 'type')?.toLowerCase() === 'module';
  const isOwn =
    carriesOwnNumber(script) ||
    quotes(attribute(script, 'onload') ?? '', page) ||
    (!isDeferred && shown.length === 0);
  part.repeat = isOwn ? 'placement' : 'page';
  part.place = isDeferred && !isOwn ? 'head' : 'body';
  part.of = mounts;
}

function placeSetup(
  part: Part,
  script: MarkupElement,
  { facts, text }: { facts: ScriptFacts | null; text: string },
  page: Around,
): void {
  const isOfEmbed =
    isDataScript(script) || (facts !== null && (names(facts, page) || fills(facts) || quotes(text, page)));
  const isOnce = facts !== null && !facts.writesDocument && !isOfEmbed;
  part.repeat = isOnce ? 'page' : 'placement';
  part.of = isOfEmbed ? served(page) : [];
}

const names = (facts: ScriptFacts, { ids, classes, fields }: Around): boolean =>
  facts.ids.some((id) => ids.has(id)) ||
  facts.classes.some((name) => classes.has(name)) ||
  facts.fields.some((name) => fields.has(name));

/* Whether a script has the id of an element of this code as a text, alone or as a selector: that is how
   libraries are told where to go. */
function quotes(script: string, { ids }: Around): boolean {
  for (const [, text] of script.matchAll(/["'`]#?([A-Za-z][\w:.-]{0,80})["'`]/g))
    if (ids.has(text!)) return true;
  return false;
}

const fills = ({ calls, creates }: ScriptFacts): boolean =>
  calls.some((call) => /\.(?:push|cmd|load|render|init|create|mount|embed|show|new)$/.test(call)) ||
  creates.includes('iframe');

/** Whether a script carries a number or key of one embed, so that another embed needs another script. */
export function carriesOwnNumber(element: MarkupElement): boolean {
  for (const { name } of element.attributes.entries)
    if (
      (name === 'id' && /\d/.test(attribute(element, 'id') ?? '')) ||
      (name.startsWith('data-') && !/^data-(?:no|lazy|async|defer|main|cookie|category)/.test(name))
    )
      return true;
  const src = attribute(element, 'src') ?? '';
  const query = src.split('#')[0]!.split('?')[1] ?? '';
  if (
    /(?:^|&)(?:id|key|form|widget|account|shop|site|user|feed|token|embed|container|target)[a-z_-]*=./i.test(
      query,
    )
  )
    return true;
  return (
    /\/(?:[0-9]{4,}|[0-9a-f]{8}-[0-9a-f-]{20,}|(?=[\w-]*\d)(?=[\w-]*[A-Za-z])[\w-]{12,})(?:\.js|\/|$)/.test(
      src.split(/[?#]/)[0]!.replace(/^(?:https?:)?\/\/[^/]*/, ''),
    ) && !/\d\.\d|@\d/.test(src)
  );
}
