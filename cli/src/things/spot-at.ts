import { measuredWidths, type MeasuredWidths } from '@orbis/core';
import type { Client } from '@orbis/contract';
import type { SpotSize } from './spot-size.ts';

/**
 * Measures the element of a published page that a spot is in.
 * @param now how large the spot is where the element does not show.
 */
export async function measuredAt(
  page: string,
  selector: string,
  { client, now }: { client: Client; now: SpotSize },
): Promise<MeasuredWidths> {
  const { data } = await client.call('pageSurveys.create', {
    params: { page },
    body: { selector },
  });
  return measuredWidths(data.areas[0]!.widths, now.widths);
}
