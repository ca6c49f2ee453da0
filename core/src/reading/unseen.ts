import { attribute, type MarkupElement } from '../text/index.ts';

/** Whether a frame is there for a program, and nobody sees it. */
export const isUnseen = (frame: MarkupElement): boolean =>
  frame.attributes.has('hidden') ||
  attribute(frame, 'aria-hidden') === 'true' ||
  ['width', 'height'].some((side) => /^\s*[01](?:px)?\s*$/.test(attribute(frame, side) ?? '')) ||
  isStyledAway(attribute(frame, 'style') ?? '');

/* What has a least width is seen, though it begins with none. */
const isStyledAway = (style: string): boolean =>
  !/min-(?:width|height)\s?:/i.test(style) &&
  /(?:^|[;\s])(?:display\s?:\s?none|visibility\s?:\s?hidden|(?:width|height)\s?:\s?[01](?:px)?\s*(?:;|$))/i.test(
    style,
  );
