import type { Option } from '../../options/option.ts';
import { sideOfCrop } from './side-of-crop.ts';

export const option: Option<number> = sideOfCrop('crop-height', 'crop-width', '400');
