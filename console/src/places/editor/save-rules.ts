import type { EditorRules } from '@orbis/core';
import type { Site } from '@orbis/contract';
import { api, refresh } from '../../api.ts';

/** Keeps rules with a site; those that are left out stay. */
export async function saveRules(site: Site, etag: string, editor: Partial<EditorRules>): Promise<void> {
  await api.call('sites.change', { params: { site: site.key }, ifMatch: etag, body: { editor } });
  await refresh('sites');
}
