import { z } from './zod.ts';
import { isHost } from '@orbis/core';

/** A host as a sheet names one: nothing that could say more in a policy. */
export const sheetHost = z
  .string()
  .max(253)
  .refine(
    isHost,
    'the name of a host: letters, digits, hyphens and dots, such as play.kinorill.example, at most with “*.” before it',
  );

/* Long enough for any address that a provider hands out; how long it takes to match grows with it. */
const longestPattern = 200;

/*
 * Groups between two slashes can take each other’s characters: each one more than two multiplies the time
 * with the length of the address. In a query one group may have a star before and one behind.
 */
const groupsInStep = 2;

/* A group’s own expression: one set of characters, or digits, as often as it likes. No
   alternatives, nothing nested. */
const groupShape = /^\((?:\[[\w.~%-]{1,40}\]|\\d|\\w)(?:\+|\*|\{\d{1,3}(?:,\d{0,3})?\})?\)$/;

/**
 * What is wrong with a pattern of a sheet (URL Pattern standard), beyond that it cannot be compiled; null
 * where nothing is. Patterns are asked about foreign addresses, so they must not be able to take long.
 */
export function patternProblem(
  pattern: string,
  part: 'hostname' | 'pathname' | 'search' = 'pathname',
): string | null {
  if (pattern.length > longestPattern) return `at most ${longestPattern} characters`;
  for (const [group] of pattern.matchAll(/\((?:\\.|[^()\\])*\)?/g))
    if (!groupShape.test(group))
      return `“${group.slice(0, 40)}” is more than a group needs: one set of characters, such as ([a-z0-9]+)`;
  for (const step of part === 'search' ? [pattern] : pattern.split('/')) {
    const named = (step.match(/:\w+|(?<!\w)\(/g) ?? []).length;
    const stars = (step.replaceAll(/\([^()]*\)/g, '').match(/\*/g) ?? []).length;
    if (part === 'search' ? named > 1 || stars > 2 : named + stars > groupsInStep)
      return part === 'search'
        ? 'at most one group in a query, with a star before it and one behind'
        : `at most ${groupsInStep} groups between two slashes`;
  }
  return null;
}
