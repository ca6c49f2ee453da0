import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import { useMutation } from '@tanstack/react-query';
import { useMemo } from 'react';
import { classFor, defaultsFor, withBareNames, type Sheet } from '@orbis/core';
import type { Embed, Placement, Site } from '@orbis/contract';
import { api, refresh } from '../api.ts';
import { CodeBar } from '../embed/CodeBar.tsx';
import { useComposedDraft } from '../embed/composed-draft.ts';
import { inheritedFrom } from '../embed/inherited.ts';
import { bench, column, scrolls } from '../embed/one-screen.ts';
import { SaveBar } from '../embed/SaveBar.tsx';
import { StepsBack } from '../embed/StepsBack.tsx';
import type { WorkedOn } from '../embed/useComposition.ts';
import { WorkedForm } from '../embed/WorkedForm.tsx';
import { Preview } from '../embed/preview/Preview.tsx';
import { useAnnounce } from '../components/Announcer.tsx';
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
      frameStyle: site.frameStyle,
      loader: site.head ? 'head' : 'here',
      listener: site.head ? 'head' : 'here',
      // Where its frames are reached the service knows; what is copied comes from there, too.
      servedAt: `https://${placement.id}.…/`,
    },
    editor: site.editor,
  };
  const work = useComposedDraft(embed, placement.options, place, sheet);
  const { composition } = work;
  const of = useMemo(() => ({ placement: placement.id }), [placement.id]);
  const inherited = useMemo(() => inheritedAt(embed, site, sheet), [embed, site, sheet]);
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
    <Box sx={bench}>
      <Box sx={column}>
        <Paper
          component="section"
          variant="outlined"
          aria-label="How it looks here"
          sx={{ p: 2, display: 'flex', flex: 1, minHeight: 0, minWidth: 0, overflow: 'clip' }}
        >
          <Preview frame={work.frame} of={of} page={placement.page} shown={work.shown} />
        </Paper>
        <CodeBar composition={composition} />
      </Box>
      <Paper component="section" variant="outlined" aria-label="Only here" sx={{ ...column, gap: 0 }}>
        <Box sx={{ px: 2.5, pt: 1, display: 'flex', justifyContent: 'flex-end' }}>
          <StepsBack work={work} />
        </Box>
        <Box sx={{ ...scrolls, px: 2.5, pb: 1 }}>
          <WorkedForm
            work={work.form}
            of={of}
            page={placement.page}
            embed={embed}
            sheet={sheet}
            inherited={inherited}
          />
        </Box>
        <SaveBar
          work={work}
          call="placements.change"
          site={placement.site}
          isSaving={save.isPending}
          label="Save for this place"
          backLabel="Back to what is saved"
          onSave={() => save.mutate()}
        >
          <ProblemNote error={save.error} />
        </SaveBar>
      </Paper>
    </Box>
  );
}

const inheritedAt = (embed: Embed, site: Site, sheet: Sheet | null): ReturnType<typeof inheritedFrom> =>
  inheritedFrom([
    ['code', embed.inCode],
    ['site', withBareNames(defaultsFor(site.defaults, embed.kind), sheet)],
    ['embed', embed.current.options],
  ]);
