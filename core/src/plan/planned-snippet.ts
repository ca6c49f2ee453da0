import type { Snippet } from '../compose/snippet.ts';

/** What is pasted at one position of a page, and for whom. */
export interface PlannedSnippet extends Snippet {
  /** The digest of its text. */
  digest: string;
  /** The placements that need it. */
  placements: string[];
}
