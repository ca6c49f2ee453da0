import { codeOf, numberOf } from '../database/errors.ts';

/**
 * An error as it is logged: enough to find its cause. What the database was asked is left out but for the
 * kind of question, as the question holds what people typed, and its answer may repeat it.
 */
export function errorForLog(given: unknown): object {
  // What logs requests hands over a summary, which knows what it was made of.
  const error = typeof given === 'object' && given !== null && 'raw' in given ? given.raw : given;
  if (!(error instanceof Error)) return { message: String(error).slice(0, 300) };
  const frames = (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
  const stack = frames.join('\n');
  const query = 'query' in error && typeof error.query === 'string' ? error.query : null;
  if (query === null && numberOf(error) === null)
    return {
      name: error.name,
      message: error.message,
      ...(codeOf(error) !== null && { code: codeOf(error) }),
      stack,
    };
  return { name: 'database', code: codeOf(error), number: numberOf(error), asked: kindOf(query), stack };
}

/* “insert embed”: what a statement does, and to which table. */
function kindOf(query: string | null): string | null {
  const [verb] = /^\w+/.exec(query?.trimStart() ?? '') ?? [];
  const [, table] = /`(\w+)`/.exec(query ?? '') ?? [];
  return verb === undefined ? null : [verb, table].filter(Boolean).join(' ');
}
