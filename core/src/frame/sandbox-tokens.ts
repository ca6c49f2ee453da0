import type { Options } from '../options/values.ts';
import { reason, type Reason } from '../reason.ts';
import type { Reading } from '../reading/reading.ts';
import { powers } from './powers.ts';

/** One sandbox token (HTML, section 7.1.5) and why it is given. */
export interface SandboxToken {
  token: string;
  reason: Reason;
}

/** What must be known of a code to say what it needs. */
export type NeedyReading = Pick<Reading, 'parts' | 'needs'>;

/**
 * The fewest sandbox tokens with which a code can do its work in a document of its own, on a host of its own.
 * `hasLoader`: it waits there for our loader to show it.
 */
export function sandboxTokensOf(reading: NeedyReading, hasLoader = false): SandboxToken[] {
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

/* By where the answer to a form is shown. */
const forAnswer: Readonly<Record<string, SandboxToken>> = {
  tab: { token: 'allow-popups', reason: reason('answer-in-tab') },
  page: { token: 'allow-top-navigation-by-user-activation', reason: reason('answer-in-page') },
  words: { token: 'allow-scripts', reason: reason('answer-in-words') },
};

export interface TokenOptions {
  /** Whether it gets no origin of its own, whatever it needs. */
  isOpaque: boolean;
  /** Whether a script of ours in it tells how high it is. */
  hasReporter: boolean;
  /** Whether links in it open new tabs. */
  linksOpenTabs: boolean;
  /** Whether a link or form in it is for the page around it. */
  leavesPage: boolean;
}

/**
 * The tokens of a frame by what its code needs and its owner says: each power that is switched on or off by
 * hand, and the rest as the code needs it.
 */
export function frameTokens(
  reading: NeedyReading,
  options: Options,
  { isOpaque, hasReporter, linksOpenTabs, leavesPage }: TokenOptions,
): SandboxToken[] {
  const needed = sandboxTokensOf(reading);
  if (linksOpenTabs && !needed.some(({ token }) => token === 'allow-popups'))
    needed.push({ token: 'allow-popups', reason: reason('links-open-tabs') });
  if (leavesPage)
    needed.push({ token: 'allow-top-navigation-by-user-activation', reason: reason('is-for-the-page') });
  const answer = forAnswer[options['answer'] as string];
  if (answer && !needed.some(({ token }) => token === answer.token)) needed.push(answer);
  // What a window of it could do is no less than what it could do anywhere else.
  if (needed.some(({ token }) => token === 'allow-popups'))
    needed.push({ token: 'allow-popups-to-escape-sandbox', reason: reason('window-works') });
  if (hasReporter && !needed.some(({ token }) => token === 'allow-scripts'))
    needed.unshift({ token: 'allow-scripts', reason: reason('tells-its-height') });
  const byHand = powers.filter(({ tokens, name }) => tokens.length > 0 && options[name] !== undefined);
  const decided = new Set(byHand.flatMap(({ tokens }) => tokens));
  const tokens = [
    ...needed.filter(({ token }) => !decided.has(token)),
    ...byHand
      .filter(({ name }) => options[name] === true)
      .flatMap((power) => power.tokens.map((token) => ({ token, reason: reason('allowed-by-hand') }))),
  ];
  return isOpaque ? tokens.filter(({ token }) => token !== 'allow-same-origin') : tokens;
}
