import {
  composeAtPlace,
  contentOf,
  current,
  isFrameAlone,
  openCode,
  permissionsOf,
  shownElement,
  titleIn,
  type Circumstances,
  type Content,
  type EditorRules,
  type LevelledOptions,
  type Options,
  type PlacedComposition,
  type Reading,
  type Sheet,
} from '@orbis/core';

/** A code that is kept, and what is to be made of it. */
export interface WorkOutTask {
  base: string;
  /** How long its content is, in seconds, where somebody told. */
  length: number | null;
  /** What is asked of it, once for each composition; none where it is only to be read. */
  wanted: readonly { asked: LevelledOptions; circumstances: Circumstances; editor?: EditorRules }[];
  sheets: readonly Sheet[];
}

/** A code that was read, as plain data. */
export interface WorkedOut {
  reading: Reading;
  /** The sheet that it was read with. */
  sheetId: string | null;
  /** What the code itself calls its content. */
  title: string | null;
  /** Where visitors find what it shows; null where nothing tells. */
  content: Content | null;
  /** The permissions that its frame asks for. */
  permissions: string[];
  /** Whether it shows a frame and nothing else. */
  frameAlone: boolean;
  /** What the code itself says of every option. */
  current: Options;
  compositions: PlacedComposition[];
}

/** Reads a code and works out what is asked of it. */
export function workOut({ base, length, wanted, sheets }: WorkOutTask): WorkedOut {
  const code = openCode(base, { sheets, length });
  const shown = shownElement(code);
  return {
    reading: code.reading,
    sheetId: code.sheet?.id ?? null,
    title: titleIn(code),
    content: contentOf(code),
    permissions: shown?.name === 'iframe' ? permissionsOf(shown) : [],
    frameAlone: isFrameAlone(code),
    current: current(code),
    compositions: wanted.map(({ asked, circumstances, editor }) =>
      composeAtPlace(code, asked, circumstances, { editor }),
    ),
  };
}
