import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { useMutation } from '@tanstack/react-query';
import { classFor, defaultsFor, withBareNames, type Sheet } from '@orbis/core';
import type { Embed, Placement, Site } from '@orbis/contract';
import { api, refresh } from '../api.ts';
import { Changes } from '../embed/Changes.tsx';
import { useComposedDraft } from '../embed/composed-draft.ts';
import { inheritedFrom } from '../embed/inherited.ts';
import { OptionForm } from '../embed/OptionForm.tsx';
import type { WorkedOn } from '../embed/useComposition.ts';
import { Preview } from '../embed/Preview.tsx';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

interface Props {
  placement: Placement;
  etag: string;
  embed: Embed;
  site: Site;
  /** That of the embed, where there is one. */
  sheet: Sheet | null;
}

/** The options of one place, beside how the embed looks with them there. */
export function PlacementForm({ placement, etag, embed, site, sheet }: Props) {
  const announce = useAnnounce();
  const levels = { embed: embed.current.options, site: defaultsFor(site.defaults, embed.kind) };
  const place: WorkedOn = {
    asked: (here) => ({ ...levels, placement: here }),
    circumstances: {
      apart: site.head ? classFor(placement.id) : null,
      language: site.language,
      loader: site.head ? 'head' : 'here',
    },
  };
  const work = useComposedDraft(embed, placement.options, place, sheet);
  const { draft, composition } = work;
  const save = useMutation({
    mutationFn: async () =>
      (
        await api.call('placements.change', {
          params: { placement: placement.id },
          ifMatch: etag,
          body: { options: work.options() },
        })
      ).data,
    onSuccess: async () => {
      await refresh('placements');
      announce(`Saved for ${placement.place}.`);
    },
  });
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0,1fr)', lg: 'minmax(0,1.15fr) minmax(0,1fr)' },
        gap: 3,
        alignItems: 'start',
      }}
    >
      <Stack spacing={3} sx={{ minWidth: 0 }}>
        <Card title="How it looks here">
          <Preview frame={work.frame} embed={embed.key} placement={placement.id} shown={work.shown} />
        </Card>
        <Card title="The code">
          <ProblemNote error={composition.error} />
          {composition.data && <Changes composition={composition.data} />}
        </Card>
      </Stack>
      <Card title="Only here">
        <OptionForm
          draft={draft}
          wrong={work.wrong}
          problems={work.problems}
          implied={composition.data?.implied ?? []}
          uncarried={composition.data?.uncarried ?? []}
          inherited={inheritedFrom([
            ['code', embed.inCode],
            ['site', withBareNames(levels.site, sheet)],
            ['embed', levels.embed],
          ])}
          sheet={sheet}
          reading={embed.reading}
          player={work.player}
          onChange={work.set}
        />
        <ProblemNote error={save.error} />
        <Box sx={{ display: 'flex', gap: 1.5, mt: 3, flexWrap: 'wrap' }}>
          <Button
            variant="contained"
            disabled={!work.changed || !work.fits || save.isPending}
            onClick={() => save.mutate()}
          >
            Save for this place
          </Button>
          {work.changed && <Button onClick={work.reset}>Back to what is saved</Button>}
        </Box>
      </Card>
    </Box>
  );
}
