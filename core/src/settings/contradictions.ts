import type { WishProblem } from '../code.ts';
import type { ReadAddress } from '../reading/reading.ts';
import type { Sheet } from '../sheets/sheet.ts';
import type { Settings } from './setting.ts';
import { clipIn, switchIn } from './stored.ts';
import { sayTime } from './time.ts';

/** Wishes that cannot be fulfilled together, or not with what the code says already. */
export function contradictions(wishes: Settings, address: ReadAddress, sheet: Sheet): WishProblem[] {
  const now = clipIn(address, sheet);
  const [start, end] = [wishes.start ?? now.start, wishes.end ?? now.end];
  const out: WishProblem[] = [];
  if (start !== null && end !== null && end <= start && (wishes.start !== undefined || wishes.end !== undefined)) {
    out.push({ wish: 'end', code: 'clip-order', facts: { start: sayTime(start), end: sayTime(end) } });
  }
  const plays = wishes.autoplay ?? switchIn(address, sheet, 'autoplay');
  if (plays && wishes.muted === false) out.push({ wish: 'muted', code: 'sound-autoplay', facts: {} });
  return out;
}
