import { contribution, problem, type Option } from '../options/option.ts';
import { switchType } from '../options/types/switch.ts';
import { framedWay } from './ways.ts';

export const option: Option<boolean> = {
  name: 'site-style',
  stage: 'isolation',
  type: switchType,
  kinds: 'any',
  example: 'off',
  source: 'HTML, section 4.2.6 (the style element)',
  isOffered: () => true,
  current: () => null,
  // The composer puts it into the document.
  contribute: (_, __, { options }) =>
    framedWay(options) === null ? problem('style-needs-frame') : contribution([]),
};
