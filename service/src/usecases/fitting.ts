import { withBareNames, type LevelledOptions, type Options } from '@orbis/core';
import { refuseProblems } from '@orbis/contract';
import type { StoredPlacement } from '../store/placements.ts';
import { compositionOf } from './codes.ts';
import type { RenderContext } from './render-context.ts';

/**
 * What is asked at a place, with its options by their bare names.
 * @throws OrbisError of the options that the code cannot have
 */
export async function fitting(
  { base, found }: Pick<StoredPlacement['source'], 'base' | 'found'>,
  asked: LevelledOptions,
  renderContext: RenderContext,
): Promise<Options> {
  const { code, composition } = await compositionOf({ base, found, asked }, renderContext);
  refuseProblems(composition.problems);
  return withBareNames(asked.placement ?? {}, code.sheet);
}
