import { generate, walk, type CssNode, type Declaration } from 'css-tree';
import { parseSheet } from './parse-sheet.ts';

/* Of what all text of a page has its font. */
const wholePage = /^(?:html|body|:root|\*)$/i;
/* Nothing else may stand in the name of a font, or in a list of them. */
const plainNames = /^[\p{L}\d\s"',-]+$/u;
const longest = 200;

/**
 * The font of a site (CSS Fonts 4, section 2.1), as its styles say it of the whole page: the last one that
 * they name, custom properties replaced by what they stand for. Null where none is named.
 */
export function fontIn(sheets: readonly string[]): string | null {
  const named = new Map<string, string>();
  let font: string | null = null;
  for (const sheet of sheets.flatMap(parseSheet))
    walk(sheet, {
      visit: 'Declaration',
      enter(declaration) {
        const property = declaration.property.toLowerCase();
        if (property.startsWith('--')) named.set(declaration.property, generate(declaration.value).trim());
        else if (this.rule && isOfPage(this.rule.prelude))
          font = familyIn(property, declaration, named) ?? font;
      },
    });
  return font;
}

const isOfPage = (prelude: CssNode): boolean =>
  generate(prelude)
    .split(',')
    .some((selector) => wholePage.test(selector.trim()));

/* In `font` it stands behind the size (CSS Fonts 4, section 2.7). */
function familyIn(
  property: string,
  { value }: Declaration,
  named: ReadonlyMap<string, string>,
): string | null {
  if (value.type !== 'Value' || (property !== 'font-family' && property !== 'font')) return null;
  const nodes = value.children.toArray();
  const size = nodes.findIndex(({ type }) => type === 'Dimension' || type === 'Percentage');
  const behind = nodes[size + 1]?.type === 'Operator' ? size + 3 : size + 1;
  if (property === 'font' && size < 0) return null;
  const written = nodes
    .slice(property === 'font' ? behind : 0)
    .map((node) => (isVariable(node) ? variable(node, named) : generate(node)))
    .join(' ')
    .replace(/ ?, ?/g, ', ')
    .trim();
  return written.length <= longest && plainNames.test(written) ? written : null;
}

type Called = Extract<CssNode, { type: 'Function' }>;
const isVariable = (node: CssNode): node is Called =>
  node.type === 'Function' && node.name.toLowerCase() === 'var';
const variable = ({ children }: Called, named: ReadonlyMap<string, string>): string =>
  children.first?.type === 'Identifier' ? (named.get(children.first.name) ?? '') : '';
