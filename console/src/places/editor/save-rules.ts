import type { EditorRules } from '@orbis/core';
import type { Site } from '@orbis/contract';
import { api, refresh } from '../../api.ts';

/** Keeps rules with a site; those that are left out stay. @returns all that it has now. */
export async function saveRules(
  site: Site,
  etag: string,
  editor: Partial<EditorRules>,
): Promise<EditorRules> {
  const params = { site: site.key };
  const { data } = await api.call('sites.change', { params, ifMatch: etag, body: { editor } });
  await refresh('sites');
  return data.editor;
}
