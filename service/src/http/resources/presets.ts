import { builtInPresets } from '@orbis/core';
import { OrbisError, presetMeaning, type Preset } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { deletePreset, findPreset, listPresets, putPreset, type PresetRow } from '../../store/presets.ts';
import { checkOptions } from '../../usecases/check-options.ts';
import type { Handlers, Named } from '../reply.ts';

const presetTag = (row: Pick<PresetRow, 'version'> | null): string => `"${row?.version ?? 0}"`;

/** Options under names of their own. */
export function presetHandlers({ connection: { db }, renderContext }: Deps): Handlers<Named<'presets'>> {
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
      checkOptions(body.options, renderContext().sheets);
      const before = await findPreset(db, params.preset);
      const isThere = before !== null || builtInPresets.some(({ key }) => key === params.preset);
      matchState(presetTag(before), 'preset', isThere);
      if (!(await putPreset(db, before, { key: params.preset, ...body }, actor)))
        throw new OrbisError('if-match-stale', { what: 'preset' });
      const row = (await findPreset(db, params.preset))!;
      return { status: before === null ? 201 : 200, data: tell(row), etag: presetTag(row) };
    },
    'presets.remove': async ({ params, matchState }) => {
      const row = await findPreset(db, params.preset);
      if (!row)
        throw new OrbisError('not-found', {
          what: 'preset of your own',
          key: params.preset,
        });
      matchState(presetTag(row), 'preset');
      await deletePreset(db, row);
      return { data: undefined, status: 204 };
    },
  };
}
