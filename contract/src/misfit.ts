import type { z } from 'zod';
import type { Facts } from '@orbis/core';
import { spoken } from './language/spoken.ts';

type Issue = Parameters<z.core.$ZodErrorMap>[0];
interface Misfit {
  code: keyof typeof spoken.misfits;
  facts?: Facts;
}

const longestShown = 60;
/* What a text that should be in some form is called; a schema of ours says it itself. */
const forms: Record<string, string> = {
  url: 'a whole web address with https://',
  email: 'a mail address',
  datetime: 'a time such as 2026-11-23T09:30:00.000Z',
  date: 'a day such as 2026-11-23',
};

/**
 * What is wrong with a value that a schema refuses, in a clause that a name can stand before: “is “nosuch”,
 * which is none of these: video, audio”. Undefined where only the schema's own words say it.
 */
export function describeMisfit(issue: Issue): string | undefined {
  const misfit = misfitOf(issue);
  return misfit ? spoken.misfits[misfit.code](misfit.facts ?? {}) : undefined;
}

function misfitOf(issue: Issue): Misfit | null {
  const found = shown(issue.input);
  if (issue.code === 'unrecognized_keys')
    return { code: 'unknown-members', facts: { names: issue.keys.slice(0, 10).map(cut).join(', ') } };
  if (issue.input === undefined) return { code: 'missing' };
  if (Number.isNaN(issue.input)) return { code: 'no-number' };
  switch (issue.code) {
    case 'invalid_type':
      return { code: 'wrong-type', facts: { found, expected: issue.expected } };
    case 'invalid_value':
      return { code: 'none-of', facts: { found, known: issue.values.map(String).join(', ') } };
    case 'too_small':
      return tooSmall(issue.origin, issue.input, Number(issue.minimum));
    case 'too_big':
      return tooBig(issue.origin, issue.input, Number(issue.maximum));
    case 'invalid_format':
      return {
        code: 'wrong-form',
        facts: { found, form: forms[issue.format] ?? 'written as it has to be here' },
      };
    case 'invalid_union':
      return { code: 'none-of-the-forms', facts: { found } };
    default:
      return null;
  }
}

function tooSmall(origin: string, input: unknown, least: number): Misfit {
  const found = countOf(input);
  if (found === 0 && least === 1) return { code: 'empty' };
  if (origin === 'string') return { code: 'text-too-short', facts: { found, least } };
  if (Array.isArray(input)) return { code: 'list-too-short', facts: { found, least } };
  return { code: 'too-small', facts: { found: Number(input), least } };
}

function tooBig(origin: string, input: unknown, most: number): Misfit {
  const found = countOf(input);
  if (origin === 'string') return { code: 'text-too-long', facts: { found, most } };
  if (Array.isArray(input)) return { code: 'list-too-long', facts: { found, most } };
  return { code: 'too-large', facts: { found: Number(input), most } };
}

const countOf = (input: unknown): number | null =>
  typeof input === 'string' ? characterCount(input) : Array.isArray(input) ? input.length : null;

/** What a schema says of a text that is not in its form, which is told as what it should be. */
export const shouldBe = (form: string): { error: (issue: { input?: unknown }) => string } => ({
  error: ({ input }) => spoken.misfits['wrong-form']({ found: shown(input), form }),
});

/** How many characters a text has, as people and JSON Schema count them: not UTF-16 code units. */
export const characterCount = (text: string): number => Array.from(text).length;

const cut = (text: string): string =>
  characterCount(text) > longestShown ? `${Array.from(text).slice(0, longestShown).join('')}…` : text;
const shown = (input: unknown): string | null =>
  typeof input === 'string'
    ? cut(input)
    : typeof input === 'number' || typeof input === 'boolean'
      ? String(input)
      : Array.isArray(input)
        ? 'a list'
        : typeof input === 'object' && input !== null
          ? 'an object'
          : null;
