import type { EditReason } from '../text/index.ts';
import type { AskedChange } from './changes.ts';

/** The reason of a change, with who asked for it. */
export const reasonOf = ({ stage, option, reason }: AskedChange): EditReason => ({
  stage: stage === 'hand' ? 'settings' : stage,
  option,
  ...reason,
});
