import type { Code } from '../code.ts';
import type { Options } from '../options/values.ts';
import { frameOf } from '../presentation/target.ts';
import { permissionsOf } from '../settings/targets.ts';
import { powers } from './powers.ts';

/** The feature of a permission, without the origins that it is for. */
export const featureOf = (permission: string): string => permission.split(/\s/)[0]!;

/**
 * What a frame of ours passes on in `allow` (Permissions Policy, section 5.2): what the frame of the code
 * asks for, for whatever origin that goes on to, and what its owner says.
 */
export function permissionsIn(code: Code, options: Options): string[] {
  const frame = frameOf(code);
  const asked = frame?.name === 'iframe' ? permissionsOf(frame).map(featureOf) : [];
  const full = code.reading.needs.fullscreen ? ['fullscreen'] : [];
  const byHand = powers.flatMap(({ name, feature }) =>
    feature !== undefined && options[name] === true ? [feature] : [],
  );
  const refused = new Set(powers.filter(({ name }) => options[name] === false).map(({ feature }) => feature));
  const isPlain = (feature: string): boolean => /^[a-z][a-z-]*$/.test(feature) && !refused.has(feature);
  return [...new Set([...asked, ...full, ...byHand])].filter(isPlain).map((feature) => `${feature} *`);
}
