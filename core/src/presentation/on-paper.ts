import type { Change } from '../options/change.ts';
import type { Declared } from './declarations.ts';
import { declare } from './declarations.ts';
import type { PresentationTarget } from './target.ts';

/** Declarations that hold in print, where nobody plays anything (Media Queries 4, section 2.3). */
export const onPaper = (
  target: Pick<PresentationTarget, 'element'>,
  declared: readonly Declared[],
): Change[] => declare(target, declared, []).map((change) => ({ ...change, when: 'print' }));
