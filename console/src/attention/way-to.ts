import { isOfLook } from '@orbis/core';
import type { KeptFinding } from '@orbis/contract';

/** Where something is done about a finding, and what the button to it says. */
export interface Way {
  to: string;
  label: string;
}

const looks = (page: string): string => `/looks?page=${encodeURIComponent(page)}`;
const plan = (page: string): string => `/plan?page=${encodeURIComponent(page)}`;

/** The way to what is to be done about a finding; null where it is done with the finding itself. */
export function wayTo({ rule, page, placement, site, host, embed, facts }: KeptFinding): Way | null {
  switch (rule) {
    case 'site-out-of-date':
      return { to: `/register?site=${site}&state=out-of-date`, label: 'Show them' };
    case 'site-head-missing':
    case 'site-head-left-over':
      return { to: `/places/${site}/head`, label: 'Open the head' };
    case 'unregistered':
      return null;
    case 'contract-over':
    case 'contract-ends':
    case 'views-used-up':
    case 'views-run-short':
      return { to: '/terms', label: 'Open the contracts' };
    case 'code-renewed':
    case 'clip-outside':
      return embed === null ? null : { to: `/collection/${embed}`, label: 'Open the embed' };
    case 'moved':
    case 'copied':
      return { to: `/register/${String(facts['placement'])}`, label: 'Open its placement' };
    case 'file-altered':
    case 'file-unreachable':
      return placement === null ? null : { to: `/register/${placement}`, label: 'Open its placement' };
    case 'page-redirects':
    case 'built-by-scripts':
      return { to: `/places/${site}`, label: 'Open its site' };
    default:
      if (host !== null && page === null)
        return { to: `/hosts?host=${encodeURIComponent(host)}`, label: 'Show its addresses' };
      if (page === null) return null;
      return isOfLook(rule)
        ? { to: looks(page), label: 'See the pictures' }
        : { to: plan(page), label: 'Open the plan' };
  }
}
