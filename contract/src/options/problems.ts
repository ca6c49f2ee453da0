import type { OptionProblem } from '@orbis/core';
import { OrbisError, type ErrorCode } from '../errors.ts';
import { spoken, formatProblem } from '../language/index.ts';
import { unknownOption } from './words.ts';

/** The errors of whatever can stand against an option. */
export const optionErrors = Object.keys(spoken.problems) as ErrorCode[];

/** The errors of options that are kept for many embeds. */
export const manyErrors = [
  'option-unknown',
  'option-ambiguous',
  'value-invalid',
] as const satisfies readonly ErrorCode[];

/** A problem as it crosses the wire: with its sentence. */
export const serializeProblem = ({
  option,
  code,
  facts,
}: OptionProblem): { option: string; code: string; detail: string } => ({
  option,
  code,
  detail: formatProblem({ code, facts }),
});

/* A member of “options” as a JSON Pointer (RFC 6901, section 3). */
const pointerTo = (option: string): string =>
  `/options/${option.replaceAll('~', '~0').replaceAll('/', '~1')}`;

/** @throws OrbisError for the first option that cannot be fulfilled, naming them all. */
export function refuseProblems(problems: readonly OptionProblem[]): void {
  const [first] = problems;
  if (!first) return;
  if (first.code === 'option-unknown') throw unknownOption(first.option);
  // Every code of a problem is in the catalogue: a test holds the one against the other.
  throw new OrbisError(
    first.code as ErrorCode,
    first.facts,
    problems.map((problem) => ({ pointer: pointerTo(problem.option), detail: formatProblem(problem) })),
  );
}
