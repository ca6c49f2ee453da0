import type { Reading } from '../reading/reading.ts';

/** One sandbox token (HTML, section 7.1.5) and why it is given. */
export interface Power {
  token: string;
  because: string;
}

/** The least powers with which a code can do its work in a document of its own, on a host of its own. */
export function powersOf(reading: Reading): Power[] {
  const powers: Power[] = [];
  const frames = reading.parts.some((part) => part.role === 'frame');
  if (reading.needs.scripts || frames) powers.push({ token: 'allow-scripts', because: frames ? 'the frame of the provider runs its own script' : 'the code has a script' });
  if (reading.needs.storage || frames) {
    powers.push({ token: 'allow-same-origin', because: 'on a host of its own this only gives back what the provider’s own origin needs: without it its frame has none' });
  }
  if (reading.needs.forms) powers.push({ token: 'allow-forms', because: 'the code has a form to send' });
  if (reading.needs.popups) powers.push({ token: 'allow-popups', because: 'the code opens a window of its own' });
  return powers;
}
