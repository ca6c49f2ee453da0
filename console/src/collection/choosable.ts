import type { EmbedSummary } from '@orbis/contract';

/** An embed in the collection, which can be ticked to be changed together with others. */
export interface Choosable {
  embed: EmbedSummary;
  chosen: boolean;
  onChoose: (on: boolean) => void;
}
