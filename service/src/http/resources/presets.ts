import { builtInPresets } from '@orbis/core';
import { OrbisError, presetMeaning, type Preset } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { findPreset, listPresets, type PresetRow } from '../../store/presets.ts';
import { presetTag, removePreset, savePreset } from '../../usecases/presets.ts';
import type { Handlers, Named } from '../reply.ts';

/** Options under names of their own. */
export function presetHandlers(deps: Deps): Handlers<Named<'presets'>> {
  const { db } = deps.connection;
  const tell = ({ key, meaning, options }: PresetRow): Preset => ({ key, meaning, options, own: true });
  const all = async (): Promise<Preset[]> => {
    const own = (await listPresets(db)).map(tell);
    return [
      ...own,
      ...builtInPresets
        .filter(({ key }) => !own.some((known) => known.key === key))
        .map((known) => ({ ...known, meaning: presetMeaning(known.key), own: false })),
    ];
  };
  return {
    'presets.list': async () => ({ data: { items: await all(), next: null } }),
    'presets.read': async ({ params }) => {
      const found = (await all()).find(({ key }) => key === params.preset);
      if (!found)
        throw new OrbisError('not-found', {
          what: 'preset',
          key: params.preset,
        });
      return { data: found, etag: presetTag(await findPreset(db, params.preset)) };
    },
    'presets.save': async ({ params, body, matchState, actor }) => {
      const isNew = await savePreset(params.preset, body, matchState, deps, actor);
      const row = (await findPreset(db, params.preset))!;
      return { status: isNew ? 201 : 200, data: tell(row), etag: presetTag(row) };
    },
    'presets.remove': async ({ params, matchState, actor }) => {
      await removePreset(params.preset, matchState, deps, actor);
      return { data: undefined, status: 204 };
    },
  };
}
