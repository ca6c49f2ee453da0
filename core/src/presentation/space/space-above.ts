import type { Option } from '../../options/option.ts';
import { spaceOption } from './space-option.ts';

export const option: Option<number> = spaceOption('space-above', 'margin-top', '24');
