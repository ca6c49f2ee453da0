import type { Option } from '../../options/option.ts';
import { sideOfCrop } from './side-of-crop.ts';

export const option: Option<number> = sideOfCrop('crop-width', 'crop-height', '400');
