import { isTaken, learnEditor, type LearnedEditor, type PieceSeen } from '@orbis/core';
import type { SpecimenReading } from '../editor-rules.ts';
import { spoken, type Language } from '../language/index.ts';

/** What a page shows of a specimen as it crosses a wire: with sentences. */
export function serializeSpecimen(
  page: string,
  seen: readonly PieceSeen[],
  { editor }: Language = spoken,
): SpecimenReading {
  const learned = learnEditor(seen);
  return {
    page,
    rules: learned && learned.rules,
    meaning: editor.meaning(letsThrough(learned)),
    lines: linesOf(seen, editor),
    pieces: seen.map(({ piece: { name }, state, lost, changed }) => ({ name, state, lost, changed })),
    open: (learned?.open ?? (['first-line'] as const)).map((question) => ({
      question,
      said: editor.questions[question](),
    })),
  };
}

/* What is gone together, then each that is there otherwise than it was. */
function linesOf(seen: readonly PieceSeen[], editor: Language['editor']): string[] {
  const gone = (['taken-out', 'shown-as-text', 'made-of-it'] as const).flatMap((state) => {
    const names = seen.filter((each) => each.state === state).map(({ piece }) => piece.name);
    return names.length === 0 ? [] : [editor.together[state]([...new Set(names)])];
  });
  const otherwise = seen
    .filter(({ state }) => state === 'kept')
    .map(({ piece: { name }, lost, changed }) =>
      editor.kept({ name, lost: lost.filter((each) => !unheardOf.has(each)), changed }),
    );
  return [...new Set([...gone, ...otherwise])].filter((line) => line !== '');
}

/* Nobody has them in a code. */
const unheardOf: ReadonlySet<string> = new Set(['specimen', 'data-specimen']);

function letsThrough(learned: LearnedEditor | null): Parameters<Language['editor']['meaning']>[0] {
  const lets = (name: string): boolean => learned !== null && !isTaken(learned.rules.elements, name);
  return {
    code: learned?.rules.takes === 'code',
    scripts: lets('script'),
    frames: lets('iframe'),
    names:
      learned !== null &&
      ['id', 'class', 'data-name'].every((name) => !isTaken(learned.rules.attributes, name)),
    links: learned?.rules.takes === 'link',
  };
}
