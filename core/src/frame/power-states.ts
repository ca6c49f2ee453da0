import type { Code } from '../code.ts';
import type { Options } from '../options/values.ts';
import { reason, type Reason } from '../reason.ts';
import { featureOf, permissionsIn } from './permissions.ts';
import { powers, type Power } from './powers.ts';
import { frameTokens, type SandboxToken } from './sandbox-tokens.ts';
import { framedWay, isOpaque } from './ways.ts';

/** Whether a frame of ours lets a code do something, and why. */
export interface PowerState {
  power: string;
  isAllowed: boolean;
  /** Null where it is not let, and nobody said so. */
  reason: Reason | null;
}

/**
 * What a code may do in its frame; where it stands in the page itself, what it could in one that is served.
 * @param sandboxTokens those of its frame, where it has one.
 * @param sharesHost whether all that is served shares one host.
 */
export function powerStates(
  code: Code,
  options: Options,
  sandboxTokens?: readonly SandboxToken[],
  sharesHost = false,
): PowerState[] {
  const way = framedWay(options) ?? 'served';
  const usual = {
    isOpaque: isOpaque(way, sharesHost),
    hasReporter: false,
    linksOpenTabs: false,
    leavesPage: false,
  };
  const tokens = sandboxTokens ?? frameTokens(code.reading, options, usual);
  const features = permissionsIn(code, options).map(featureOf);
  return powers.map((power) => stateOf(power, { tokens, features, said: options[power.name] }));
}

function stateOf(
  { name, tokens: [token], feature }: Power,
  given: { tokens: readonly SandboxToken[]; features: readonly string[]; said: unknown },
): PowerState {
  const found = given.tokens.find((each) => each.token === token);
  const isAllowed = token === undefined ? given.features.includes(feature!) : found !== undefined;
  const why =
    given.said !== undefined
      ? isAllowed
        ? reason('allowed-by-hand')
        : reason('refused-by-hand')
      : (found?.reason ?? (isAllowed ? reason('asked-by-code') : null));
  return { power: name, isAllowed, reason: why };
}
