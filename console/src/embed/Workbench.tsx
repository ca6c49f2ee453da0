import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useRef, useState } from 'react';
import { handName } from '@orbis/core';
import type { Embed } from '@orbis/contract';
import { api, refresh, useList } from '../api.ts';
import { useAnnounce } from '../parts/Announcer.tsx';
import { Card } from '../parts/Card.tsx';
import { CopyButton } from '../parts/CopyButton.tsx';
import { ProblemNote } from '../parts/ProblemNote.tsx';
import { plural } from '../parts/when.ts';
import { Changes } from './Changes.tsx';
import { inheritedFrom } from './inherited.ts';
import { draftOf, optionsOf, type Draft } from './draft.ts';
import { usePlayerTime } from './player-time.ts';
import { SavePreset } from '../groups/SavePreset.tsx';
import { PresetChooser } from './PresetChooser.tsx';
import { Placements } from './Placements.tsx';
import { Preview } from './Preview.tsx';
import { Revisions } from './Revisions.tsx';
import { OptionForm } from './OptionForm.tsx';

/** Where an embed is worked on: every change shows at once in the preview, in the code and in the list of edits. */
export function Workbench({ embed, etag }: { embed: Embed; etag: string }) {
  const saved = draftOf(embed.current.options);
  const [draft, setDraft] = useState<Draft>(saved);
  const announce = useAnnounce();
  const { options, wrong } = optionsOf(useDeferredValue(draft));
  const sheets = useList('providers.list', {});
  const sheet = sheets.items.find(({ id }) => id === embed.reading.sheet?.id)?.sheet ?? null;
  const frame = useRef<HTMLIFrameElement>(null);
  const player = usePlayerTime(frame);
  const composition = useQuery({
    queryKey: ['composition', embed.key, options],
    queryFn: async () => ({ ...(await api.call('compositions.create', { body: { embed: embed.key, options } })).data, options }),
    placeholderData: (before) => before,
  });
  const problems = composition.data?.problems ?? [];
  const names = new Set([...Object.keys(draft), ...Object.keys(saved)]);
  const changed = [...names].some((name) => (draft[name] ?? '').trim() !== (saved[name] ?? '') || (name.startsWith(handName('')) && name in draft !== name in saved));
  const save = useMutation({
    mutationFn: async () => (await api.call('revisions.create', { params: { embed: embed.key }, body: { options: optionsOf(draft).options }, ifMatch: etag })).data,
    onSuccess: async (now) => {
      await refresh();
      announce(
        now.revision === embed.revision
          ? 'Nothing differs.'
          : `Revision ${now.revision} is saved.${now.placements > 0 ? ` ${plural(now.placements, 'place')} may carry the older code now.` : ''}`,
      );
    },
  });

  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0,1fr)', lg: 'minmax(0,1.15fr) minmax(0,1fr)' }, gap: 3, alignItems: 'start' }}>
      <Stack spacing={3} sx={{ minWidth: 0 }}>
        <Card>
          <Preview frame={frame} embed={embed.key} options={composition.data && problems.length === 0 ? composition.data.options : null} />
        </Card>
        <Card title="The code" action={composition.data && <CopyButton text={composition.data.text} label="Copy without a place" />}>
          <ProblemNote error={composition.error} />
          {composition.data && <Changes composition={composition.data} />}
        </Card>
      </Stack>
      <Stack spacing={3} sx={{ minWidth: 0 }}>
        <Card title="Settings" action={<PresetChooser onChoose={(preset) => setDraft((now) => ({ ...now, ...draftOf(preset.options) }))} />}>
          <OptionForm
            draft={draft}
            wrong={wrong}
            problems={problems}
            implied={composition.data?.implied ?? []}
            inherited={inheritedFrom([['code', embed.inCode]])}
            sheet={sheet}
            reading={embed.reading}
            player={player}
            onChange={(name, value) =>
              setDraft((now) => (value === null ? Object.fromEntries(Object.entries(now).filter(([other]) => other !== name)) : { ...now, [name]: value }))
            }
          />
          <ProblemNote error={save.error} />
          <Box sx={{ display: 'flex', gap: 1.5, mt: 3, alignItems: 'center', flexWrap: 'wrap' }}>
            <Button
              variant="contained"
              disabled={!changed || composition.isPlaceholderData || problems.length > 0 || Object.keys(wrong).length > 0 || save.isPending}
              onClick={() => save.mutate()}
            >
              Save as revision {embed.revision + 1}
            </Button>
            {changed && <Button onClick={() => setDraft(saved)}>Back to revision {embed.revision}</Button>}
          </Box>
          {composition.data && problems.length === 0 && Object.keys(composition.data.options).length > 0 && (
            <Box sx={{ mt: 2 }}>
              <SavePreset options={composition.data.options} />
            </Box>
          )}
          {changed && embed.placements > 0 && (
            <Alert severity="info" variant="outlined" sx={{ mt: 2 }}>
              Pages keep the code that they carry until you paste the new one there.
            </Alert>
          )}
        </Card>
        <Card title="Where it is">
          <Placements embed={embed} />
        </Card>
        <Card title="Revisions">
          <Revisions embed={embed} etag={etag} />
        </Card>
      </Stack>
    </Box>
  );
}
