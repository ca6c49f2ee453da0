import { composeLevels, openCode, type Circumstances, type LevelledOptions, type Sheet } from '@orbis/core';
import type { Composition } from '@orbis/contract';
import { serializeComposition } from '@orbis/contract/serializers';

/** A code, and what is asked of it at each level. */
export interface ComposeTask {
  base: string;
  /** How long its content is, in seconds, where its provider told. */
  length: number | null;
  asked: LevelledOptions;
  circumstances: Circumstances;
  sheets: readonly Sheet[];
}

/** What the options come to, as the service would answer it (`compositions.create`). */
export function composeHere({ base, length, asked, circumstances, sheets }: ComposeTask): Composition {
  const code = openCode(base, { sheets, length });
  return serializeComposition(base, composeLevels(code, asked, circumstances));
}
