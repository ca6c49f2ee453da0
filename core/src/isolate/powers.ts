import { reason, type Reason } from '../reason.ts';
import type { Reading } from '../reading/reading.ts';

/** One sandbox token (HTML, section 7.1.5) and why it is given. */
export interface Power {
  token: string;
  because: Reason;
}

/** The least powers with which a code can do its work in a document of its own, on a host of its own. */
export function powersOf(reading: Reading): Power[] {
  const powers: Power[] = [];
  const frames = reading.parts.some((part) => part.role === 'frame');
  if (reading.needs.scripts || frames) powers.push({ token: 'allow-scripts', because: reason(frames ? 'frame-runs-script' : 'has-script') });
  if (reading.needs.storage || frames) {
    powers.push({ token: 'allow-same-origin', because: reason('needs-its-origin') });
  }
  if (reading.needs.forms) powers.push({ token: 'allow-forms', because: reason('has-form') });
  if (reading.needs.popups) powers.push({ token: 'allow-popups', because: reason('opens-window') });
  return powers;
}
