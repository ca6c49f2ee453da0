/** The widths of the windows in which a page is looked at, in px: a phone, a tablet, a desktop. */
export const lookWidths = [390, 768, 1280] as const;
export type LookWidth = (typeof lookWidths)[number];

/** What a page can complain of: see the words for each. */
export const complaintCodes = ['frame-refused', 'kept-out', 'mixed', 'not-loaded', 'broke', 'said'] as const;
export type ComplaintCode = (typeof complaintCodes)[number];
