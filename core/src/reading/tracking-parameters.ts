import type { Sheet } from '../sheets/sheet.ts';

/* Parameters that follow people from page to page and say nothing of what is shown. */
const follows =
  /^(?:utm_[a-z]+|[a-z]{1,3}clid|click_?id|ref_(?:src|url|id)|tracking(?:_id)?|tracker(?:_id)?|campaign(?:_id)?|affiliate(?:_id)?|visitor_id)$/i;

/** Whether a parameter only follows people: by its name, or because its provider's sheet says so. */
export const isTracking = (name: string, sheet: Pick<Sheet, 'tracks'> | null): boolean =>
  follows.test(name) || (sheet?.tracks?.includes(name) ?? false);
