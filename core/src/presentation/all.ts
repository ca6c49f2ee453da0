import type { Option } from '../options/option.ts';
import { option as align } from './align.ts';
import { option as fit } from './fit.ts';
import { option as maxWidth } from './max-width.ts';
import { option as shape } from './shape.ts';
import { option as share } from './share.ts';

/** Every option of presentation, in the order in which people are shown them. */
export const presentation: readonly Option[] = [fit, shape, share, maxWidth, align];
