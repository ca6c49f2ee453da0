import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import { useMutation } from '@tanstack/react-query';
import { classFor, defaultsFor, withBareNames, type Sheet } from '@orbis/core';
import type { Embed, Placement, Site } from '@orbis/contract';
import { api, refresh } from '../api.ts';
import { CodeBar } from '../embed/CodeBar.tsx';
import { useComposedDraft } from '../embed/composed-draft.ts';
import { inheritedFrom } from '../embed/inherited.ts';
import { bench, column, scrolls } from '../embed/one-screen.ts';
import { ChooseCrop } from '../embed/looking/ChooseCrop.tsx';
import { LookingTools } from '../embed/looking/LookingTools.tsx';
import { SaveBar } from '../embed/SaveBar.tsx';
import { StepsBack } from '../embed/StepsBack.tsx';
import { OptionForm } from '../embed/OptionForm.tsx';
import type { WorkedOn } from '../embed/useComposition.ts';
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
      loader: site.head ? 'head' : 'here',
      listener: site.head ? 'head' : 'here',
      // Where its frames are reached the service knows; what is copied comes from there, too.
      servedAt: `https://${placement.id}.…/`,
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
    <Box sx={bench}>
      <Box sx={column}>
        <Paper
          component="section"
          variant="outlined"
          aria-label="How it looks here"
          sx={{ p: 2, display: 'flex', flex: 1, minHeight: 0, minWidth: 0 }}
        >
          <Preview
            frame={work.frame}
            of={{ placement: placement.id }}
            page={placement.page}
            shown={work.shown}
          />
        </Paper>
        <CodeBar composition={composition} />
      </Box>
      <Paper component="section" variant="outlined" aria-label="Only here" sx={{ ...column, gap: 0 }}>
        <Box sx={{ px: 2.5, pt: 1, display: 'flex', justifyContent: 'flex-end' }}>
          <StepsBack work={work} />
        </Box>
        <Box sx={{ ...scrolls, px: 2.5, pb: 1 }}>
          <OptionForm
            draft={draft}
            wrong={work.wrong}
            problems={work.problems}
            implied={composition.data?.implied ?? []}
            uncarried={composition.data?.uncarried ?? []}
            frame={composition.data?.frame}
            inherited={inheritedFrom([
              ['code', embed.inCode],
              ['site', withBareNames(levels.site, sheet)],
              ['embed', levels.embed],
            ])}
            sheet={sheet}
            reading={embed.reading}
            player={work.player}
            parts={composition.data?.parts}
            onChange={work.set}
            cropping={<ChooseCrop of={{ placement: placement.id }} size={embed.reading.size} work={work} />}
            looking={
              <LookingTools
                of={{ placement: placement.id }}
                page={placement.page}
                found={embed.found}
                work={work}
              />
            }
          />
        </Box>
        <SaveBar
          work={work}
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
