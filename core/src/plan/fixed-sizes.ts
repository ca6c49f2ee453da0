/** A size that advertisements are made in, in CSS px. */
export interface FixedSize {
  width: number;
  height: number;
}

/** The fixed sizes that the advertising trade agrees upon, by what it calls them. */
export const fixedSizes = {
  'billboard': { width: 970, height: 250 },
  'super-leaderboard': { width: 970, height: 90 },
  'leaderboard': { width: 728, height: 90 },
  'half-page': { width: 300, height: 600 },
  'portrait': { width: 300, height: 1050 },
  'medium-rectangle': { width: 300, height: 250 },
  'skyscraper': { width: 160, height: 600 },
  'interstitial': { width: 320, height: 480 },
  'phone-banner': { width: 320, height: 50 },
  'small-banner': { width: 300, height: 50 },
  'button': { width: 120, height: 60 },
} as const satisfies Record<string, FixedSize>;

/** What the trade calls one of them. */
export type FixedSizeName = keyof typeof fixedSizes;
