import type { Fetched } from './hop.ts';

/** How many bytes something has of which a part was asked for; null where its host does not say. */
export const totalOf = ({ headers, status }: Pick<Fetched, 'headers' | 'status'>): number | null =>
  Number(/\/(\d+)$/.exec(headers.get('content-range') ?? '')?.[1] ?? NaN) ||
  (status === 200 ? Number(headers.get('content-length')) : 0) ||
  null;
