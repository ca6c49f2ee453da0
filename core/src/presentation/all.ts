import type { Option } from '../options/option.ts';
import { option as backdropPadding } from './backdrop/backdrop-padding.ts';
import { option as backdropReach } from './backdrop/backdrop-reach.ts';
import { option as backdrop } from './backdrop/backdrop.ts';
import { option as caption } from './beside/caption.ts';
import { option as fallback } from './beside/fallback.ts';
import { option as headingAlign } from './beside/heading-align.ts';
import { option as headingLevel } from './beside/heading-level.ts';
import { option as heading } from './beside/heading.ts';
import { option as linkBelowWords } from './beside/link-below-words.ts';
import { option as linkBelow } from './beside/link-below.ts';
import { option as cropHeight } from './crop/crop-height.ts';
import { option as cropLeft } from './crop/crop-left.ts';
import { option as cropScale } from './crop/crop-scale.ts';
import { option as cropTop } from './crop/crop-top.ts';
import { option as cropWidth } from './crop/crop-width.ts';
import { option as borderColour } from './edges/border-colour.ts';
import { option as border } from './edges/border.ts';
import { option as corners } from './edges/corners.ts';
import { option as shadow } from './edges/shadow.ts';
import { option as loadRemember } from './loading/load-remember.ts';
import { option as loadWords } from './loading/load-words.ts';
import { option as load } from './loading/load.ts';
import { option as stillAlso } from './loading/still-also.ts';
import { option as still } from './loading/still.ts';
import { option as bandBehind } from './over/band-behind.ts';
import { option as bandFocusX } from './over/band-focus-x.ts';
import { option as bandFocusY } from './over/band-focus-y.ts';
import { option as band } from './over/band.ts';
import { option as tintStrength } from './over/tint-strength.ts';
import { option as tint } from './over/tint.ts';
import { option as wholeLinkName } from './over/whole-link-name.ts';
import { option as wholeLinkOpens } from './over/whole-link-opens.ts';
import { option as wholeLink } from './over/whole-link.ts';
import { option as wordsOver } from './over/words-over.ts';
import { option as leaveOut } from './parts/leave-out.ts';
import { option as align } from './size/align.ts';
import { option as fit } from './size/fit.ts';
import { option as heights } from './size/heights.ts';
import { option as maxWidth } from './size/max-width.ts';
import { option as minWidth } from './size/min-width.ts';
import { option as shape } from './size/shape.ts';
import { option as share } from './size/share.ts';
import { option as spaceAbove } from './space/space-above.ts';
import { option as spaceBelow } from './space/space-below.ts';
import { option as spaceBeside } from './space/space-beside.ts';

/** Every option of presentation, in the order in which people are shown them. */
export const presentation: readonly Option[] = [
  ...[fit, shape, share, maxWidth, minWidth, align],
  ...[load, still, stillAlso, loadWords, loadRemember, heights],
  ...[heading, headingLevel, headingAlign, caption, linkBelow, linkBelowWords, fallback],
  ...[backdrop, backdropPadding, backdropReach],
  ...[wholeLink, wholeLinkName, wholeLinkOpens, tint, tintStrength, wordsOver],
  ...[band, bandFocusX, bandFocusY, bandBehind],
  ...[spaceAbove, spaceBelow, spaceBeside],
  ...[corners, border, borderColour, shadow],
  ...[cropLeft, cropTop, cropWidth, cropHeight, cropScale],
  leaveOut,
];
