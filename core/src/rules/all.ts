import { rule as activeAddress } from './active-address.ts';
import { rule as activeAttribute } from './active-attribute.ts';
import { rule as blocksPage } from './blocks-page.ts';
import { rule as clipBeyond } from './clip-beyond.ts';
import { rule as clipOrder } from './clip-order.ts';
import { rule as curlyQuotes } from './curly-quotes.ts';
import { rule as cutOff } from './cut-off.ts';
import { rule as duplicateParameter } from './duplicate-parameter.ts';
import { rule as escapedTwice } from './escaped-twice.ts';
import { rule as fileType } from './file-type.ts';
import { rule as globalStyle } from './global-style.ts';
import { rule as halfCode } from './half-code.ts';
import { rule as hiddenField } from './hidden-field.ts';
import { rule as insecure } from './insecure.ts';
import { rule as linkTime } from './link-time.ts';
import { rule as misspelt } from './misspelt.ts';
import { rule as noFallback } from './no-fallback.ts';
import { rule as noTitle } from './no-title.ts';
import { rule as noWayToPlay } from './no-way-to-play.ts';
import { rule as notFullyRead } from './not-fully-read.ts';
import { rule as notInline } from './not-inline.ts';
import { rule as oddBlank } from './odd-blank.ts';
import { rule as oldAttribute } from './old-attribute.ts';
import { rule as sampleValue } from './sample-value.ts';
import { rule as secondQuestionMark } from './second-question-mark.ts';
import { rule as severalEmbeds } from './several-embeds.ts';
import { rule as shapeMismatch } from './shape-mismatch.ts';
import { rule as soundAutoplay } from './sound-autoplay.ts';
import { rule as spaceInAddress } from './space-in-address.ts';
import { rule as tracking } from './tracking.ts';
import { rule as unmatchedStyle } from './unmatched-style.ts';
import { rule as valueOnPresence } from './value-on-presence.ts';
import { rule as visibleCode } from './visible-code.ts';
import { rule as writesDocument } from './writes-document.ts';
import { rule as wrongElement } from './wrong-element.ts';
import type { CodeRule } from './rule.ts';

/** Every rule on a code, in alphabetical order. */
export const rules: readonly CodeRule[] = [
  activeAddress,
  activeAttribute,
  blocksPage,
  clipBeyond,
  clipOrder,
  curlyQuotes,
  cutOff,
  duplicateParameter,
  escapedTwice,
  fileType,
  globalStyle,
  halfCode,
  hiddenField,
  insecure,
  linkTime,
  misspelt,
  noFallback,
  noTitle,
  noWayToPlay,
  notFullyRead,
  notInline,
  oddBlank,
  oldAttribute,
  sampleValue,
  secondQuestionMark,
  severalEmbeds,
  shapeMismatch,
  soundAutoplay,
  spaceInAddress,
  tracking,
  unmatchedStyle,
  valueOnPresence,
  visibleCode,
  writesDocument,
  wrongElement,
];
