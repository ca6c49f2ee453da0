import {
  contribution,
  problem,
  type Contribution,
  type Option,
  type OptionContext,
} from '../../options/option.ts';
import { ratioType } from '../../options/types/ratio.ts';
import type { Ratio } from '../../options/values.ts';
import type { Code } from '../../code.ts';
import { option as fit } from './fit.ts';
import { shapeOf } from './shape-of.ts';
import { frameOf, hasFrame } from '../target.ts';

export const option: Option<Ratio> = {
  name: 'shape',
  stage: 'presentation',
  type: ratioType,
  kinds: 'any',
  perDevice: true,
  example: '16:9',
  source: 'CSS Box Sizing 4, section 4 (aspect-ratio)',
  isOffered: (_, reading) => hasFrame(reading),
  current: (code) => (frameOf(code) ? shapeOf(code, {}) : null),
  // It is the fit that writes it down; alone it changes nothing.
  contribute: (code) => (frameOf(code) ? contribution([]) : problem('nothing-to-present')),
  contributeOnDevice: onDevice,
};

/* Another shape is held by what holds the one that it has on other screens. */
function onDevice(code: Code, shape: Ratio, context: OptionContext): Contribution {
  const { options } = context;
  if (options['fit'] !== 'shape') return problem('shape-everywhere');
  const { changes, problems } = fit.contribute(code, 'shape', { ...context, options: { ...options, shape } });
  return {
    changes: changes.filter((change) => change.kind === 'declaration' && change.property === 'aspect-ratio'),
    problems,
  };
}
