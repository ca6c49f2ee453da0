import { contribution, problem, type Option } from '../options/option.ts';
import { addressType } from '../options/types/address.ts';
import { framedWay } from './ways.ts';

export const option: Option<string> = {
  name: 'frame-file',
  stage: 'isolation',
  type: addressType,
  kinds: 'any',
  example: 'https://hollinfell.example/embeds/form.html',
  source: 'HTML, section 4.8.5 (the iframe element, src)',
  isOffered: () => true,
  current: () => null,
  contribute: (_, __, { options }) =>
    framedWay(options) === 'file' ? contribution([]) : problem('address-needs-file'),
};
