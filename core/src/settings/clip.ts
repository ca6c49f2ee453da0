import type { Code } from '../code.ts';
import type { OptionProblem } from '../options/option.ts';
import { formatTime } from '../options/types/time.ts';
import { clipOf } from '../sheets/read-values.ts';
import { ruleOf } from '../sheets/sheet.ts';
import { targetOf } from './targets.ts';

type Problems = Omit<OptionProblem, 'option'>[];

/** A time beyond the end of the content, where its length is known. */
export function beyondEnd({ length }: Pick<Code, 'length'>, setting: 'start' | 'end', at: number): Problems {
  if (length === null || (setting === 'start' ? at < length : at <= length)) return [];
  return [
    { code: 'time-beyond', facts: { setting, at: formatTime(at), length: formatTime(Math.floor(length)) } },
  ];
}

/** An end that is not after the start; what is not asked for (null) is what the code says. */
export function clipOrder(code: Code, start: number | null, end: number | null): Problems {
  const { sheet } = code;
  const [address] =
    (sheet && targetOf(code, sheet, { of: ruleOf(sheet, 'start')?.of ?? 'frame' })?.addresses) ?? [];
  const now = address ? clipOf(address, sheet) : { start: null, end: null };
  const [from, to] = [start ?? now.start, end ?? now.end];
  return from !== null && to !== null && to <= from
    ? [{ code: 'clip-order', facts: { start: formatTime(from), end: formatTime(to) } }]
    : [];
}
