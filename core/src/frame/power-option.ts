import { contribution, problem, type Contribution, type Option } from '../options/option.ts';
import type { Options } from '../options/values.ts';
import { switchType } from '../options/types/switch.ts';
import type { Power } from './powers.ts';
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
  current: () => null,
  contribute: (_, isOn, { options, page }) => allowed(power, isOn, options, page.sharesHost),
});

function allowed({ name }: Power, isOn: boolean, options: Options, sharesHost = false): Contribution {
  const way = framedWay(options);
  if (way === null) return problem('power-needs-frame');
  // With scripts and the origin of the page it could take its own sandbox away.
  if (name === 'may-keep-data' && isOn && isOpaque(way, sharesHost))
    return way === 'served' ? problem('frames-share-host') : problem('origin-undoes-sandbox');
  return contribution([]);
}
