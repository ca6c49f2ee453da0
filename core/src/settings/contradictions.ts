import type { Code, WishProblem } from '../code.ts';
import type { Sheet } from '../sheets/sheet.ts';
import { holderOf } from './holders.ts';
import type { Settings } from './setting.ts';
import { clipOf, switchNow } from './stored.ts';
import { sayTime } from './time.ts';

/** Wishes that cannot be fulfilled together, or not with what the code says already. */
export function contradictions(code: Code, wishes: Settings, sheet: Sheet): WishProblem[] {
  const holder = holderOf(code, sheet, { of: sheet.settings.start?.of ?? sheet.settings.autoplay?.of ?? 'frame' });
  if (!holder) return [];
  const out: WishProblem[] = [];
  const now = holder.addresses[0] ? clipOf(holder.addresses[0], sheet) : { start: null, end: null };
  const [start, end] = [wishes.start ?? now.start, wishes.end ?? now.end];
  const clip = wishes.start !== undefined || wishes.end !== undefined;
  if (clip && start !== null && end !== null && end <= start) out.push({ wish: 'end', code: 'clip-order', facts: { start: sayTime(start), end: sayTime(end) } });
  const { length } = code;
  if (length !== null) {
    for (const wish of ['start', 'end'] as const) {
      const at = wishes[wish];
      if (at !== undefined && (wish === 'start' ? at >= length : at > length))
        out.push({ wish, code: 'time-beyond', facts: { setting: wish, at: sayTime(at), length: sayTime(Math.floor(length)) } });
    }
  }
  const plays = wishes.autoplay ?? switchNow(holder, sheet, 'autoplay');
  if (plays && wishes.muted === false) out.push({ wish: 'muted', code: 'sound-autoplay', facts: {} });
  if (!plays && wishes.controls === false && sheet.settings.autoplay) out.push({ wish: 'controls', code: 'no-way-to-play', facts: {} });
  return out;
}
