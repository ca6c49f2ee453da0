import { contribution, problem, type Option } from '../../options/option.ts';
import { ratioType } from '../../options/types/ratio.ts';
import type { Ratio } from '../../options/values.ts';
import { shapeOf } from './shape-of.ts';
import { frameOf, hasFrame } from '../target.ts';

export const option: Option<Ratio> = {
  name: 'shape',
  stage: 'presentation',
  type: ratioType,
  kinds: 'any',
  example: '16:9',
  source: 'CSS Box Sizing 4, section 4 (aspect-ratio)',
  isOffered: (_, reading) => hasFrame(reading),
  current: (code) => (frameOf(code) ? shapeOf(code, {}) : null),
  // It is the fit that writes it down; alone it changes nothing.
  contribute: (code) => (frameOf(code) ? contribution([]) : problem('nothing-to-present')),
};
