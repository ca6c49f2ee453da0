import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useRef, useState } from 'react';
import { defaultsFor } from '@orbis/core';
import type { Embed, Placement, Site } from '@orbis/contract';
import { api, refresh, useList } from '../api.ts';
import { Changes } from '../embed/Changes.tsx';
import { draftOf, optionsOf, type Draft } from '../embed/draft.ts';
import { inheritedFrom } from '../embed/inherited.ts';
import { OptionForm } from '../embed/OptionForm.tsx';
import { usePlayerTime } from '../embed/player-time.ts';
import { Preview } from '../embed/Preview.tsx';
import { useAnnounce } from '../parts/Announcer.tsx';
import { Card } from '../parts/Card.tsx';
import { ProblemNote } from '../parts/ProblemNote.tsx';

interface Props {
  placement: Placement;
  etag: string;
  embed: Embed;
  site: Site;
}

/** The options of one place, beside how the embed looks with them there. */
export function PlacementForm({ placement, etag, embed, site }: Props) {
  const saved = draftOf(placement.options);
  const [draft, setDraft] = useState<Draft>(saved);
  const announce = useAnnounce();
  const { options, wrong } = optionsOf(useDeferredValue(draft));
  const sheets = useList('providers.list', {});
  const sheet = sheets.items.find(({ id }) => id === embed.reading.sheet?.id)?.sheet ?? null;
  const frame = useRef<HTMLIFrameElement>(null);
  const player = usePlayerTime(frame);
  const composition = useQuery({
    queryKey: ['composition', placement.id, options],
    queryFn: async () => (await api.call('compositions.create', { body: { placement: placement.id, options } })).data,
    placeholderData: (before) => before,
  });
  const problems = composition.data?.problems ?? [];
  const save = useMutation({
    mutationFn: async () => (await api.call('placements.change', { params: { placement: placement.id }, ifMatch: etag, body: { options: optionsOf(draft).options } })).data,
    onSuccess: async () => {
      await refresh();
      announce(`Saved for ${placement.place}.`);
    },
  });
  const changed = JSON.stringify(optionsOf(draft).options) !== JSON.stringify(optionsOf(saved).options);
  const set = (name: string, value: string | null): void =>
    setDraft((now) => (value === null ? Object.fromEntries(Object.entries(now).filter(([other]) => other !== name)) : { ...now, [name]: value }));
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0,1fr)', lg: 'minmax(0,1.15fr) minmax(0,1fr)' }, gap: 3, alignItems: 'start' }}>
      <Stack spacing={3} sx={{ minWidth: 0 }}>
        <Card title="How it looks here">
          <Preview frame={frame} embed={embed.key} placement={placement.id} options={composition.data && problems.length === 0 ? options : null} />
        </Card>
        <Card title="The code">
          <ProblemNote error={composition.error} />
          {composition.data && <Changes composition={composition.data} />}
        </Card>
      </Stack>
      <Card title="Only here">
        <OptionForm
          draft={draft}
          wrong={wrong}
          problems={problems}
          implied={composition.data?.implied ?? []}
          inherited={inheritedFrom([
            ['code', embed.inCode],
            ['site', defaultsFor(site.defaults, embed.kind)],
            ['embed', embed.current.options],
          ])}
          sheet={sheet}
          reading={embed.reading}
          player={player}
          onChange={set}
        />
        <ProblemNote error={save.error} />
        <Box sx={{ display: 'flex', gap: 1.5, mt: 3, flexWrap: 'wrap' }}>
          <Button variant="contained" disabled={!changed || problems.length > 0 || Object.keys(wrong).length > 0 || save.isPending} onClick={() => save.mutate()}>
            Save for this place
          </Button>
          {changed && <Button onClick={() => setDraft(saved)}>Back to what is saved</Button>}
        </Box>
      </Card>
    </Box>
  );
}
