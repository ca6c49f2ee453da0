/** The devices that a spot has a width on, the narrowest first. */
export const spotDevices = ['phone', 'tablet', 'desktop'] as const;

/** A device that a spot has a width on. */
export type SpotDevice = (typeof spotDevices)[number];

/** How wide a spot is on each of them, in CSS px. */
export type SpotWidths = Readonly<Record<SpotDevice, number>>;

/** How high a spot is at most, on the devices where that is said, in CSS px. */
export type SpotHeights = { readonly [D in SpotDevice]?: number | undefined };

/** How much room a spot has. */
export interface SpotRoom {
  widths: SpotWidths;
  heights: SpotHeights;
}
