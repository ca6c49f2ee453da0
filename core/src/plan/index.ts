/** In go a code, wishes and a mark; out come the pieces to paste, each character traced to the paste or to a reason. */
export { markEdit, markedElement, readMark, writeMark, type Mark } from './mark.ts';
export { pieceText, positions, runsOf, type Piece, type PiecePosition, type Run } from './pieces.ts';
export { plan, type Outcome, type Wishes } from './plan.ts';
export { builtInPresets, type Preset } from './presets.ts';
