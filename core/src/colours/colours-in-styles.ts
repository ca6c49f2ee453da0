import { generate, walk, type CssNode, type Declaration, type Rule } from 'css-tree';
import { formatHex, parse as parseColour } from 'culori';
import { parseSheet } from './parse-sheet.ts';

/** A colour that a site uses. */
export interface UsedColour {
  /** As `#rrggbb`; how much shines through it is left aside. */
  colour: string;
  /** How often it stands in the styles. */
  uses: number;
  /** Where, each once, in the order of the styles: what of which elements. */
  where: ColourPlace[];
}

/** Where a colour stands: a property of the elements that a selector means. */
export interface ColourPlace {
  property: string;
  selector: string;
}

const mostPlaces = 6;
/* What is a word there is a name that somebody gave, also where a colour has it too. */
const wordsOnly = /^(?:font|animation|grid|counter|container|view-transition)(?:-|$)/;
const longestSelector = 60;

/**
 * The colours that stand most often in style sheets (CSS Color 4), those with names of their own (custom
 * properties) where they are used.
 * @param most how many of them.
 */
export function coloursIn(sheets: readonly string[], most = 10): UsedColour[] {
  const parsed = sheets.flatMap(parseSheet);
  const named = namedColours(parsed);
  const found = new Map<string, UsedColour>();
  const use = (colour: string, place: ColourPlace): void => {
    const one = found.get(colour) ?? { colour, uses: 0, where: [] };
    found.set(colour, one);
    one.uses++;
    const isNew = !one.where.some(
      ({ property, selector }) => property === place.property && selector === place.selector,
    );
    if (isNew && one.where.length < mostPlaces) one.where.push(place);
  };
  for (const sheet of parsed)
    forEachDeclaration(sheet, (declaration, selector) => {
      const property = declaration.property.toLowerCase();
      if (property.startsWith('--') || wordsOnly.test(property)) return;
      for (const colour of coloursOfValue(declaration.value, named)) use(colour, { property, selector });
    });
  return [...found.values()].sort((a, b) => b.uses - a.uses).slice(0, most);
}

/* The colours that custom properties stand for, where they stand for one; the first one of a name. */
function namedColours(sheets: readonly CssNode[]): ReadonlyMap<string, string> {
  const named = new Map<string, string>();
  for (const sheet of sheets)
    forEachDeclaration(sheet, ({ property, value }) => {
      if (!property.startsWith('--') || named.has(property)) return;
      const [colour, ...others] = coloursOfValue(value, named);
      if (colour !== undefined && others.length === 0) named.set(property, colour);
    });
  return named;
}

function forEachDeclaration(
  sheet: CssNode,
  look: (declaration: Declaration, selector: string) => void,
): void {
  walk(sheet, {
    visit: 'Declaration',
    enter(declaration) {
      look(declaration, selectorOf(this.rule));
    },
  });
}

const selectorOf = (rule: Rule | null): string =>
  rule === null ? '' : generate(rule.prelude).slice(0, longestSelector);

/* What can be a colour in a value: not a part of one, such as a number within `rgb()`. */
function coloursOfValue(value: Declaration['value'], named: ReadonlyMap<string, string>): string[] {
  const colours: string[] = [];
  walk(value, {
    enter(node: CssNode) {
      if (node.type === 'Function' && node.name.toLowerCase() === 'var') {
        const name = node.children.first;
        const colour = name?.type === 'Identifier' ? named.get(name.name) : undefined;
        if (colour !== undefined) colours.push(colour);
        return walk.skip;
      }
      if (node.type === 'Url' || node.type === 'String') return walk.skip;
      if (node.type !== 'Hash' && node.type !== 'Identifier' && node.type !== 'Function') return;
      const colour = asHex(generate(node));
      if (colour === null) return;
      colours.push(colour);
      return walk.skip;
    },
  });
  return colours;
}

/* Null also for what is not to be seen. */
function asHex(text: string): string | null {
  const colour = text.length <= longestSelector ? parseColour(text) : undefined;
  return colour === undefined || colour.alpha === 0 ? null : formatHex(colour);
}
