import { reason, type Reason } from '../reason.ts';
import type { Reading } from '../reading/reading.ts';

/** One sandbox token (HTML, section 7.1.5) and why it is given. */
export interface SandboxToken {
  token: string;
  reason: Reason;
}

/**
 * The fewest sandbox tokens with which a code can do its work in a document of its own, on a host of its own.
 * `hasLoader`: it waits there for our loader to show it.
 */
export function sandboxTokensOf(
  reading: Pick<Reading, 'parts' | 'needs'>,
  hasLoader = false,
): SandboxToken[] {
  const sandboxTokens: SandboxToken[] = [];
  const frames = reading.parts.some((part) => part.role === 'frame');
  if (reading.needs.scripts || frames)
    sandboxTokens.push({
      token: 'allow-scripts',
      reason: reason(frames ? 'frame-runs-script' : 'has-script'),
    });
  else if (hasLoader) sandboxTokens.push({ token: 'allow-scripts', reason: reason('has-loader') });
  if (reading.needs.storage || frames) {
    sandboxTokens.push({ token: 'allow-same-origin', reason: reason('needs-its-origin') });
  }
  if (reading.needs.forms) sandboxTokens.push({ token: 'allow-forms', reason: reason('has-form') });
  if (reading.needs.popups) sandboxTokens.push({ token: 'allow-popups', reason: reason('opens-window') });
  return sandboxTokens;
}
