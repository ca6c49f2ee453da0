import type { Option } from '../../options/option.ts';
import { spaceOption } from './space-option.ts';

export const option: Option<number> = spaceOption('space-below', 'margin-bottom', '24');
