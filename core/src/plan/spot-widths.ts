/** The devices that a spot has a width on, the narrowest first. */
export const spotDevices = ['phone', 'tablet', 'desktop'] as const;

/** How wide a spot is on each of them, in CSS px. */
export type SpotWidths = Readonly<Record<(typeof spotDevices)[number], number>>;
