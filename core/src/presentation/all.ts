import type { Option } from '../options/option.ts';
import { option as align } from './align.ts';
import { option as borderColour } from './border-colour.ts';
import { option as border } from './border.ts';
import { option as corners } from './corners.ts';
import { option as fit } from './fit.ts';
import { option as maxWidth } from './max-width.ts';
import { option as minWidth } from './min-width.ts';
import { option as shadow } from './shadow.ts';
import { option as shape } from './shape.ts';
import { option as share } from './share.ts';

/** Every option of presentation, in the order in which people are shown them. */
export const presentation: readonly Option[] = [
  fit,
  shape,
  share,
  maxWidth,
  minWidth,
  align,
  corners,
  border,
  borderColour,
  shadow,
];
