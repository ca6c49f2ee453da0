import type { Edit } from '../text/index.ts';
import type { Code, WishProblem } from '../code.ts';
import { adjust, type Adjustment } from '../settings/index.ts';
import type { Settings } from '../settings/setting.ts';
import { dress } from '../dress/dress.ts';
import type { Dress } from '../dress/option.ts';
import { markEdit, type Mark } from './mark.ts';
import { pieceText, runsOf, type Piece } from './pieces.ts';

/** What the owner wishes of a code. */
export interface Wishes {
  settings: Settings;
  dress: Dress;
}

/** What the wishes come to: every edit with its reason, and the pieces to paste. */
export interface Outcome {
  edits: Edit[];
  problems: WishProblem[];
  brought: Adjustment['brought'];
  pieces: Piece[];
  /** The text of the piece for the spot. */
  text: string;
}

/* A stated size gives way where the dress makes the frame fill its place. */
const yielding = (edit: Edit, { fit }: Dress): Edit =>
  fit && edit.wishes.every((wish) => wish === 'width' || wish === 'height') ? { ...edit, reason: `${edit.reason} On the page “fit” wins over it.` } : edit;

/**
 * The output for a place: a pure function of the code, the wishes and the mark. Where a wish cannot be fulfilled,
 * `problems` says so and the edits of its stage are missing. Every piece goes to the spot: codes are placed whole.
 */
export function plan(code: Code, wishes: Wishes, mark: Mark | null): Outcome {
  const adjusted = adjust(code, wishes.settings);
  const dressed = dress(code, wishes.dress);
  const marked = mark ? markEdit(code, mark) : null;
  const edits = [...adjusted.edits.map((edit) => yielding(edit, wishes.dress)), ...dressed.edits, ...(marked ? [marked] : [])];
  const piece: Piece = { position: 'spot', runs: runsOf(code.text, edits) };
  return { edits, problems: [...adjusted.problems, ...dressed.problems], brought: adjusted.brought, pieces: [piece], text: pieceText(piece) };
}
