import { learnEditor, type PieceSeen } from '@orbis/core';
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
    pieces: seen.map(({ piece: { name }, state, lost, changed }) => ({
      name,
      state,
      lost,
      changed,
      said: editor.pieces[state]({ name, lost }),
    })),
    open: (learned?.open ?? (['first-line'] as const)).map((question) => ({
      question,
      said: editor.questions[question](),
    })),
  };
}
