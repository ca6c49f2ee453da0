import type { Code } from '../code.ts';
import type { Circumstances } from '../compose/composition.ts';
import { composeLevels } from '../compose/levels.ts';
import { changesCodes, type EditorRules } from '../editor/index.ts';
import type { LevelledOptions } from '../options/levels.ts';
import { composeForEditor, type PlacedComposition } from './forms.ts';

/** What holds where a code is handed out for. */
export interface Place {
  editor: EditorRules | undefined;
  /** Whether a head takes a part that its page needs once; where the page’s head does, unless said. */
  moves?: (text: string) => boolean;
}

/** Composes a code as it is handed out for a place: in a form that the editor there lets through. */
export function composeAtPlace(
  code: Code,
  asked: LevelledOptions,
  circumstances: Circumstances,
  { editor, moves = () => circumstances.loader === 'head' }: Place,
): PlacedComposition {
  if (editor && changesCodes(editor)) return composeForEditor(code, asked, circumstances, { editor, moves });
  const composition = composeLevels(code, asked, circumstances);
  return { ...composition, uncut: composition.edits, forEditor: null };
}
