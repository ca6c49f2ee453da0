import type { Edit } from '../text/index.ts';
import type { FramedContent, FramedWay, SandboxToken } from '../frame/index.ts';
import type { Implied, OptionProblem, PastedPage } from '../options/option.ts';
import type { AskedChange } from './changes.ts';
import type { Mark } from './mark.ts';
import type { Loss } from './settle.ts';
import type { Snippet } from './snippet.ts';

/** What options come to for a code. */
export interface Composition {
  /** Every edit of the code, in the order of its text. */
  edits: Edit[];
  /** Options that cannot be fulfilled; the edits of their stage are missing. */
  problems: OptionProblem[];
  /** Options that came with others. */
  implied: Implied[];
  /** Options that gave way to stronger ones. */
  losses: Loss[];
  /** Options that this form of the code cannot carry, and why. */
  uncarried: OptionProblem[];
  snippets: Snippet[];
  /** The text of the snippet for the spot. */
  text: string;
  /** The document of its own that it stands in; null where it stands in the page itself. */
  framed: Framed | null;
}

/** A code in a document of its own. */
export interface Framed {
  way: FramedWay;
  /** The code as it stands in it. */
  text: string;
  /** The document, as it stands in the markup or in a file. */
  html: string;
  title: string;
  /** What its frame is let do, and why. */
  sandboxTokens: SandboxToken[];
  permissions: string[];
  /** The hosts that it may contact, where its owner has fixed them; null where not. */
  contacts: readonly string[] | null;
  /** Whether what it shows is as high as the frame. */
  fills: boolean;
  /** Whether a link in it opens a new tab where it does not say so itself. */
  linksOpenTabs: boolean;
  /** Where visitors find what it shows; null where nothing tells, or where it needs no script. */
  content: FramedContent | null;
  /** The site’s own style for what is in it; empty where there is none. */
  style: string;
}

/** What a code is composed for; all of it may be missing. */
export interface Circumstances {
  /** The mark of the placement that it is handed out for. */
  mark?: Mark | null;
  /**
   * The class of rules apart from the code, in the page’s head; null where there is no way into it: then what
   * needs them is not carried.
   */
  apart?: string | null;
  /** The language of the page (BCP 47), for words that visitors read; English where nothing is said. */
  language?: string;
  /** Where the page has the loader of ours, where this code needs it; with the code where nothing is said. */
  loader?: PastedPage['loader'];
  /** Where the page has the listener of ours, which makes frames as high as what is in them; as above. */
  listener?: PastedPage['loader'];
  /**
   * The address of the document that is served for the neutral mark, or `held` where it stands in the markup
   * itself, as in a preview. Without one nothing is served: then the code stands in the page, and that is
   * said.
   */
  servedAt?: string;
  /** Whether all documents that are served share one host, so that none has an origin of its own. */
  sharesHost?: boolean;
  /** The site’s own style for what is in its frames (CSS); none where nothing is said. */
  frameStyle?: string;
  /** What the page’s plan changes beside the options. */
  planned?: readonly AskedChange[];
}
