import type { Spot } from '@orbis/contract';

/** How a preview shows an embed; nothing of it is saved. */
export interface View {
  /** By itself, as it was pasted, both beside each other, or in a published page. */
  shown: 'alone' | 'pasted' | 'both' | 'page';
  /** The key of that page; null until one is chosen. */
  page: string | null;
  /** Beside which of its places; null where it most likely goes. */
  beside: { side: 'before' | 'after'; at: number } | null;
  /** The colour behind it, as #rrggbb; null for white. */
  background: string | null;
  /** The spot as wide as which it is shown; null for whole screens. */
  spot: Pick<Spot, 'key' | 'widths'> | null;
}

export const plainView: View = { shown: 'alone', page: null, beside: null, background: null, spot: null };
