import type { FrameDocumentOptions } from '../frame/index.ts';
import type { PageWithRoom } from '../in-page/index.ts';
import type { Reading } from '../reading/reading.ts';
import type { Sheet } from '../sheets/sheet.ts';

/** What must be known of a code to show it in a document of its own. */
export type ShownReading = Pick<Reading, 'parts' | 'addresses' | 'hosts' | 'needs'>;

/** What must be known of its provider. */
export type ShownSheet = Pick<Sheet, 'hosts' | 'tellsTime'>;

export interface PreviewOptions {
  title: string;
  /** The origins that may frame it. */
  ancestors: readonly string[];
  /**
   * Whether it is on a host of its own; without one it gets no origin at all, whatever its code would need.
   */
  ownHost: boolean;
  /** Where questions about it are answered (oEmbed 1.0, section 4). */
  discovery?: readonly { type: string; href: string }[];
  language: string;
  /** Pictures that it was asked to show beside what its code shows. */
  pictures?: readonly string[];
  /** A script of ours that tells the page around it (an origin) where its player is, and what fails. */
  relay?: { src: string; to: string };
  /** The colour behind it, as #rrggbb; white without it. */
  background?: string;
  /** How it stands in a frame of ours, by which its page shows it. */
  framed?: Pick<FrameDocumentOptions, 'title' | 'fills' | 'linksOpenTabs' | 'content' | 'style'> & {
    sandbox: readonly string[];
  };
  /** What it may do beside what the code needs, as it holds a frame that may. */
  also?: readonly string[];
  /** The hosts that it may contact, where its owner has fixed them, and nobody else. */
  contacts?: readonly string[];
  /** The path at which its server hears what was blocked (CSP 3, section 6.5.1). */
  reportsTo?: string;
  /** The page in which it stands, and a script of ours by which another place on it can be pointed at. */
  page?: { room: ShownPage; pointing: { src: string; to: string } | null };
}

/** A page with nothing of it acting, as the core cuts it, and by what its addresses are read. */
export type ShownPage = Pick<PageWithRoom, 'parts' | 'base'>;
