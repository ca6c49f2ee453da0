import type { EditorRules } from '../editor/index.ts';
import type { SiteHead } from './site-head.ts';

/** What a plan must know of the site. */
export interface PlannedSite {
  /** Whether there is a way into the heads of its pages. */
  head: boolean;
  /** What is meant for the head of the whole site; nothing where there is no way into it. */
  siteHead?: SiteHead;
  /** The language of its pages (BCP 47), for words that visitors read; English where nothing is said. */
  language?: string;
  /** Its style for what is in its frames (CSS). */
  frameStyle?: string;
  /** Whether all documents that are served share one host. */
  sharesHost?: boolean;
  /** Where the document is served that is for the neutral mark. */
  servedAt?: string;
  /** What its editor lets through; everything where nothing is said. */
  editor?: EditorRules;
}
