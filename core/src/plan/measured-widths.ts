import { spotDevices, type SpotDevice, type SpotWidths } from './spot-room.ts';

/** Widths that were measured on a published page, in CSS px. */
export interface MeasuredWidths {
  widths: Record<SpotDevice, number>;
  /** The devices on which the element does not show, so that nothing was measured there. */
  hidden: SpotDevice[];
}

/** The widths of a spot as they were measured; where nothing was, it stays as wide as it is. */
export const measuredWidths = (
  measured: Readonly<Record<SpotDevice, number | null>>,
  now: SpotWidths,
): MeasuredWidths => ({
  widths: {
    phone: measured.phone ?? now.phone,
    tablet: measured.tablet ?? now.tablet,
    desktop: measured.desktop ?? now.desktop,
  },
  hidden: spotDevices.filter((device) => measured[device] === null),
});
