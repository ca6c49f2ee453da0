import {
  composeAtPlace,
  openCode,
  removable,
  type Circumstances,
  type EditorRules,
  type LevelledOptions,
  type Removable,
  type Sheet,
} from '@orbis/core';
import type { Composition } from '@orbis/contract';
import { serializeComposition } from '@orbis/contract/serializers';

/** A code, and what is asked of it at each level. */
export interface ComposeTask {
  base: string;
  /** How long its content is, in seconds, where its provider told. */
  length: number | null;
  asked: LevelledOptions;
  circumstances: Circumstances;
  /** What the editor of its place lets through, where it is at a place. */
  editor?: EditorRules | undefined;
  sheets: readonly Sheet[];
}

/** A part that the code could do without, or why not. */
export type CodePart = Pick<Removable, 'name' | 'words' | 'needed'>;

/** What the options come to, as the service would answer it, and the parts that the code has. */
export type ComposedHere = Composition & { parts: readonly CodePart[] };

/** Composes a code as the service would. */
export function composeHere({
  base,
  length,
  asked,
  circumstances,
  editor,
  sheets,
}: ComposeTask): ComposedHere {
  const code = openCode(base, { sheets, length });
  const parts = removable(code).map(({ name, words, needed }) => ({ name, words, needed }));
  return { ...serializeComposition(base, composeAtPlace(code, asked, circumstances, { editor })), parts };
}
