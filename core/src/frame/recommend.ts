import type { Code } from '../code.ts';
import { reason, type Reason } from '../reason.ts';
import type { OptionProblem } from '../options/option.ts';
import { frameRefusal } from './refusal.ts';
import { frameWays, type FrameWay } from './ways.ts';

/** The ways to place a code: which of them Orbis recommends, and which will not do. */
export interface FrameAdvice {
  way: FrameWay;
  /** What speaks for it. */
  reasons: Reason[];
  refused: { way: FrameWay; problem: Omit<OptionProblem, 'option'> }[];
}

/** From how many hosts on a code is said to contact many. */
const many = 4;

/**
 * Recommends a way to place a code, by what its reading says of it.
 * @param sharesHost whether all that is served shares one host.
 */
export function recommendFrame(code: Code, sharesHost = false): FrameAdvice {
  const refused = frameWays.flatMap((way) => {
    const problem = way === 'none' ? null : frameRefusal(code, way, sharesHost);
    return problem ? [{ way, problem }] : [];
  });
  const isRefused = (way: FrameWay): boolean => refused.some((each) => each.way === way);
  const reasons = reachesOut(code);
  const cannot = isRefused('served') && isRefused('enclosed');
  if (reasons.length === 0 || cannot)
    return {
      way: 'none',
      reasons: [cannot ? reason('frame-cannot') : staysInside(code)],
      refused,
    };
  if (!isRefused('enclosed')) return { way: 'enclosed', reasons, refused };
  return { way: 'served', reasons: [...reasons, reason('needs-an-origin')], refused };
}

const staysInside = ({ reading: { parts } }: Code): Reason =>
  parts.some(({ role }) => role === 'loader' || role === 'setup')
    ? reason('keeps-to-itself')
    : parts.some(({ role }) => role === 'frame')
      ? reason('framed-already')
      : reason('runs-nothing');

/* What of a code reaches, or could reach, beyond itself. */
function reachesOut({ reading }: Code): Reason[] {
  const { findings, claims, hosts } = reading;
  const has = (rule: string): boolean => findings.some((finding) => finding.rule === rule);
  const own = claims.find(({ what, shared }) => !shared && (what === 'id' || what === 'global'));
  const onLoad = hosts.filter(({ when }) => when === 'load').length;
  return [
    ...(has('writes-document') ? [reason('frame-for-writes')] : []),
    ...(has('global-style') ? [reason('frame-for-styles')] : []),
    ...(reading.needs.scripts && own ? [reason('frame-for-claims', { name: own.name })] : []),
    ...(onLoad >= many ? [reason('frame-for-hosts', { count: onLoad })] : []),
  ];
}
