import type { Code } from '../code.ts';
import { contribution, problem, type Contribution, type Option } from '../options/option.ts';
import type { Options } from '../options/values.ts';
import { switchType } from '../options/types/switch.ts';
import { frameOf } from '../presentation/target.ts';
import { permissionsOf } from '../settings/targets.ts';
import { featureOf } from './permissions.ts';
import type { Power } from './powers.ts';
import { sandboxTokensOf } from './sandbox-tokens.ts';
import { framedWay, isOpaque } from './ways.ts';

/** The option by which an owner gives a power to a frame, or takes it away. */
export const powerOption = (power: Power): Option<boolean> => ({
  name: power.name,
  stage: 'isolation',
  type: switchType,
  kinds: 'any',
  group: 'powers',
  example: 'on',
  source: power.feature
    ? `Permissions Policy, section 5.2 (allow: ${power.feature})`
    : `HTML, section 7.1.5 (sandbox: ${power.tokens[0]!})`,
  isOffered: () => true,
  current: (code) => hasPower(code, power),
  contribute: (_, isOn, { options }) => allowed(power, isOn, options),
});

/* As long as nobody says otherwise, a frame of its own may do what its code needs. */
function hasPower(code: Code, { tokens, feature }: Power): boolean {
  if (feature === undefined) return sandboxTokensOf(code.reading).some(({ token }) => tokens.includes(token));
  const frame = frameOf(code);
  return frame?.name === 'iframe' && permissionsOf(frame).some((each) => featureOf(each) === feature);
}

function allowed({ name }: Power, isOn: boolean, options: Options): Contribution {
  const way = framedWay(options);
  if (way === null) return problem('power-needs-frame');
  // With scripts and the origin of the page it could take its own sandbox away.
  if (name === 'may-keep-data' && isOn && isOpaque(way)) return problem('origin-undoes-sandbox');
  return contribution([]);
}
