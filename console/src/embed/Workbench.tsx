import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { useMutation } from '@tanstack/react-query';
import type { Sheet } from '@orbis/core';
import type { Embed } from '@orbis/contract';
import { plural } from '@orbis/contract/language';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { CopyButton } from '../components/CopyButton.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { Changes } from './Changes.tsx';
import { inheritedFrom } from './inherited.ts';
import { useComposedDraft } from './composed-draft.ts';
import type { WorkedOn } from './useComposition.ts';
import { SavePreset } from '../groups/SavePreset.tsx';
import { PresetChooser } from './PresetChooser.tsx';
import { Placements } from './Placements.tsx';
import { Preview } from './Preview.tsx';
import { Revisions } from './Revisions.tsx';
import { OptionForm } from './OptionForm.tsx';

const ofEmbed: WorkedOn = { asked: (here) => ({ embed: here }), circumstances: {} };

/**
 * Where an embed is worked on: every change shows at once in the preview, in the code
 * and in the list of edits.
 */
export function Workbench({ embed, etag, sheet }: { embed: Embed; etag: string; sheet: Sheet | null }) {
  const announce = useAnnounce();
  const work = useComposedDraft(embed, embed.current.options, ofEmbed, sheet);
  const { draft, changed, composition } = work;
  const save = useMutation({
    mutationFn: async () =>
      (
        await api.call('revisions.create', {
          params: { embed: embed.key },
          body: { options: work.options() },
          ifMatch: etag,
        })
      ).data,
    onSuccess: async (now) => {
      await refresh('embeds');
      if (now.revision === embed.revision) return announce('Nothing differs.');
      await announce.done(
        `Revision ${now.revision} is saved.${now.placements > 0 ? ` ${plural(now.placements, 'place')} may carry the older code now.` : ''}`,
      );
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
        <Card>
          <Preview frame={work.frame} embed={embed.key} shown={work.shown} />
        </Card>
        <Card
          title="The code"
          action={
            composition.data && <CopyButton text={composition.data.text} label="Copy without a place" />
          }
        >
          <ProblemNote error={composition.error} />
          {composition.data && <Changes composition={composition.data} />}
        </Card>
      </Stack>
      <Stack spacing={3} sx={{ minWidth: 0 }}>
        <Card title="Settings" action={<PresetChooser onChoose={(preset) => work.add(preset.options)} />}>
          <OptionForm
            draft={draft}
            wrong={work.wrong}
            problems={work.problems}
            implied={composition.data?.implied ?? []}
            uncarried={composition.data?.uncarried ?? []}
            inherited={inheritedFrom([['code', embed.inCode]])}
            sheet={sheet}
            reading={embed.reading}
            player={work.player}
            onChange={work.set}
          />
          <ProblemNote error={save.error} />
          <Box sx={{ display: 'flex', gap: 1.5, mt: 3, alignItems: 'center', flexWrap: 'wrap' }}>
            <Button
              variant="contained"
              disabled={!changed || !work.fits || save.isPending}
              onClick={() => save.mutate()}
            >
              Save as revision {embed.revision + 1}
            </Button>
            {changed && <Button onClick={work.reset}>Back to revision {embed.revision}</Button>}
          </Box>
          {work.shown && Object.keys(work.shown.options).length > 0 && (
            <Box sx={{ mt: 2 }}>
              <SavePreset options={work.shown.options} />
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
