import type { SpotDevice } from '@orbis/core';
import type { Language } from '../language.ts';

/** How large spots are, and where. */
export const spots: Language['spots'] = {
  size: ({ widths, heights }) => {
    const on = (device: SpotDevice): string =>
      heights[device] === undefined ? String(widths[device]) : `${widths[device]}×${heights[device]}`;
    const unit = heights.phone === undefined ? 'px wide' : 'px';
    return `${on('phone')} ${unit} on a phone, ${on('tablet')} on a tablet, ${on('desktop')} on a desktop`;
  },
  sharedBy: (under) => (under === '' ? 'every page' : `pages whose paths begin with ${under}`),
  hidden: (devices) =>
    `It does not show on a ${devices.join(' or a ')}: nothing is measured there. See that its width there is right.`,
  notThere: (spot) => `${spot}: what it is in is not on the page any more, or does not show.`,
  fixedSizes: {
    'billboard': 'Billboard',
    'super-leaderboard': 'Super leaderboard',
    'leaderboard': 'Leaderboard',
    'half-page': 'Half page',
    'portrait': 'Portrait',
    'medium-rectangle': 'Medium rectangle',
    'skyscraper': 'Skyscraper',
    'interstitial': 'Interstitial',
    'phone-banner': 'Banner for phones',
    'small-banner': 'Small banner for phones',
    'button': 'Button',
  },
};
