import { openEditor, type EditorRules, type TakenNames } from './editor-rules.ts';
import type { PieceSeen } from './read-specimen.ts';

/** What a specimen leaves open, and only whoever works with the editor can say. */
export type OpenQuestion = 'first-line' | 'head' | 'delay' | 'shows-unpublished';

/** The rules that a published specimen shows. */
export interface LearnedEditor {
  rules: Pick<EditorRules, 'takes' | 'elements' | 'attributes' | 'inlineScripts' | 'comments'>;
  open: OpenQuestion[];
}

/** What nobody but the owner knows, whatever the specimen shows. */
const always: readonly OpenQuestion[] = ['head', 'delay', 'shows-unpublished'];

/**
 * Learns what an editor lets through. Where it makes frames of links, and lets neither frames nor scripts
 * through, it takes links. Null where all of the specimen is shown as text and no link was made anything of:
 * then it may want a line of its own first, or is no place for codes.
 */
export function learnEditor(seen: readonly PieceSeen[]): LearnedEditor | null {
  const open = [...always];
  const has = (name: string): boolean => seen.some(({ elements }) => elements.includes(name));
  const makesFrames = seen.some(({ state }) => state === 'made-of-it');
  if (makesFrames && !has('iframe') && !has('script')) return { rules: ofLinks, open };
  const isNoneKept = !seen.some(({ state, piece }) => state === 'kept' && piece.name !== 'link');
  if (isNoneKept && seen.some(({ state }) => state === 'shown-as-text')) return null;
  return { rules: rulesFrom(seen), open };
}

/* What it lets through of a code does not matter, as it takes none. */
const { elements, attributes, inlineScripts, comments } = openEditor;
const ofLinks = { takes: 'link', elements, attributes, inlineScripts, comments } as const;

function rulesFrom(seen: readonly PieceSeen[]): LearnedEditor['rules'] {
  const named = seen.filter(({ piece }) => piece.element !== null && piece.inside === null);
  const inline = seen.find(({ piece }) => piece.inside === 'script');
  const comment = seen.find(({ piece }) => piece.name === '<!-- -->');
  const kept = elementsKept(named);
  return {
    takes: 'code',
    elements: namesOf(kept, 'x-specimen'),
    attributes: dataTogether(namesOf(attributesKept(named, kept), 'specimen')),
    // Where no script survives, that is said by its element.
    inlineScripts: kept.get('script') === false || inline?.state === 'kept',
    comments: comment?.state === 'kept',
  };
}

/* Whether each element was seen anywhere: one may need what it has not got in another piece. */
function elementsKept(seen: readonly PieceSeen[]): Map<string, boolean> {
  const kept = new Map<string, boolean>();
  for (const { piece, elements } of seen)
    for (const name of piece.elements) kept.set(name, (kept.get(name) ?? false) || elements.includes(name));
  return kept;
}

/* Whether each attribute survives wherever it was. Of a piece that is gone, though its element is let
   through, what only it has is the cause. */
function attributesKept(
  seen: readonly PieceSeen[],
  elements: ReadonlyMap<string, boolean>,
): Map<string, boolean> {
  const kept = new Map<string, boolean>();
  for (const { piece, lost } of seen.filter(({ state }) => state === 'kept'))
    for (const name of piece.attributes) kept.set(name, (kept.get(name) ?? true) && !lost.includes(name));
  for (const { piece, state } of seen)
    if (state !== 'kept' && elements.get(piece.element!) === true)
      for (const name of piece.attributes) if (!kept.has(name)) kept.set(name, false);
  return kept;
}

/* What nobody has ever heard of tells whether an editor knows what it takes out, or what it lets through;
   where nothing could carry it, the latter. */
function namesOf(kept: ReadonlyMap<string, boolean>, unheardOf: string): TakenNames {
  const these = (wanted: boolean): string[] =>
    [...kept]
      .filter(([name, isThere]) => isThere === wanted && name !== unheardOf)
      .map(([name]) => name)
      .sort();
  return kept.get(unheardOf) !== true
    ? { which: 'all-but', names: these(true) }
    : { which: 'these', names: these(false) };
}

/* Names of data attributes are everybody’s own: what holds for two of them holds for all. */
function dataTogether({ which, names }: TakenNames): TakenNames {
  const data = names.filter((name) => name.startsWith('data-'));
  return data.length < 2
    ? { which, names }
    : { which, names: [...names.filter((name) => !data.includes(name)), 'data-*'].sort() };
}
