/**
 * When a declaration holds, other than always: by a media query, or within what the code is pasted into,
 * where rules also reach that itself (`in-section` is of the element, `of-section` of what it stands in).
 */
export const conditions = [
  'phone',
  'tablet',
  'print',
  'reduced-motion',
  'forced-colours',
  'in-section',
  'of-section',
] as const;
export type Condition = (typeof conditions)[number];

/** Those that a media query tells. */
export type MediaCondition = Exclude<Condition, 'in-section' | 'of-section'>;

/**
 * Screens for which an option may have a value of its own; what is asked without one holds for all others.
 */
export const devices = ['phone', 'tablet'] as const satisfies readonly Condition[];
export type Device = (typeof devices)[number];

/*
 * The widths that part phones, tablets and desktops, in px: between those of common phones held upright (up
 * to 430) and of tablets (from 744), and of these (up to 834 upright) and of notebooks.
 */
const tabletFrom = 600;
const desktopFrom = 1024;

/**
 * The media query of each condition (Media Queries 4; `forced-colors` and `prefers-reduced-motion`: Media
 * Queries 5, sections 12.1 and 12.5).
 */
export const mediaOf: Readonly<Record<MediaCondition, string>> = {
  'phone': `(max-width:${tabletFrom - 0.02}px)`,
  'tablet': `(min-width:${tabletFrom}px) and (max-width:${desktopFrom - 0.02}px)`,
  'print': 'print',
  'reduced-motion': '(prefers-reduced-motion:reduce)',
  'forced-colours': '(forced-colors:active)',
};
