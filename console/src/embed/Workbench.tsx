import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import { useMutation } from '@tanstack/react-query';
import { useMemo, useState, type ReactNode } from 'react';
import type { Sheet } from '@orbis/core';
import type { Embed } from '@orbis/contract';
import { plural } from '@orbis/contract/language';
import { api, refresh } from '../api.ts';
import { ChangedByOthers } from '../others/ChangedByOthers.tsx';
import { useAnnounce } from '../components/Announcer.tsx';
import { Disclosure } from '../components/Disclosure.tsx';
import { ReachNote } from '../components/ReachNote.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { SavePreset } from '../groups/SavePreset.tsx';
import { CodeBar } from './CodeBar.tsx';
import { useComposedDraft } from './composed-draft.ts';
import { inheritedFrom } from './inherited.ts';
import { bench, column, scrolls } from './one-screen.ts';
import { Placements } from './Placements.tsx';
import { PresetChooser } from './presets/PresetChooser.tsx';
import { Preview } from './preview/Preview.tsx';
import { SaveBar } from './SaveBar.tsx';
import { StepsBack } from './StepsBack.tsx';
import type { WorkedOn } from './useComposition.ts';
import { WorkedForm } from './WorkedForm.tsx';
import { IfMay } from '../components/IfMay.tsx';

const ofEmbed: WorkedOn = { asked: (here) => ({ embed: here }), circumstances: {} };

/**
 * Where an embed is worked on: every change shows at once in the preview, in the code and in the list of
 * edits.
 */
export function Workbench({ embed, etag, sheet }: { embed: Embed; etag: string; sheet: Sheet | null }) {
  const announce = useAnnounce();
  const work = useComposedDraft(embed, embed.current.options, ofEmbed, sheet);
  const { changed, composition } = work;
  const of = useMemo(() => ({ embed: embed.key }), [embed.key]);
  const inherited = useMemo(() => inheritedFrom([['code', embed.inCode]]), [embed.inCode]);
  const last = useMemo(() => whereItGoes(embed), [embed]);
  const [note, setNote] = useState('');
  const save = useMutation({
    mutationFn: async () =>
      (
        await api.call('revisions.create', {
          params: { embed: embed.key },
          body: { options: work.options(), ...(note.trim() !== '' && { note: note.trim() }) },
          ifMatch: etag,
        })
      ).data,
    onSuccess: async (now) => {
      setNote('');
      await refresh('embeds');
      if (now.revision === embed.revision) return announce('Nothing differs.');
      await announce.done(
        `Revision ${now.revision} is saved.${now.placements > 0 ? ` ${plural(now.placements, 'place')} may carry the older code now.` : ''}`,
      );
    },
  });
  return (
    <Box sx={bench}>
      <Box sx={column}>
        <Paper
          component="section"
          variant="outlined"
          aria-label="Preview"
          sx={{ p: 2, display: 'flex', flex: 1, minHeight: 0, minWidth: 0 }}
        >
          <Preview frame={work.frame} of={of} shown={work.shown} />
        </Paper>
        <CodeBar composition={composition} copyLabel="Copy without a place" />
      </Box>
      <Paper component="section" variant="outlined" aria-label="Settings" sx={{ ...column, gap: 0 }}>
        <Box sx={{ px: 2.5, pt: 2, pb: 1, display: 'flex', alignItems: 'center', gap: 1 }}>
          <PresetChooser onChoose={(preset) => work.form.add(preset.options)} />
          <StepsBack work={work} />
        </Box>
        <Box sx={{ ...scrolls, px: 2.5, pb: 1 }}>
          <WorkedForm
            work={work.form}
            of={of}
            embed={embed}
            sheet={sheet}
            inherited={inherited}
            last={last}
          />
          <IfMay call="presets.save">
            {work.shown && Object.keys(work.shown.options).length > 0 && (
              <SavePreset options={work.shown.options} />
            )}
          </IfMay>
        </Box>
        <SaveBar
          work={work}
          call="revisions.create"
          isSaving={save.isPending}
          label={`Save as revision ${embed.revision + 1}`}
          backLabel={`Back to revision ${embed.revision}`}
          onSave={() => save.mutate()}
        >
          <ChangedByOthers embed={embed.key} sheet={sheet} both={work.both} />
          <ProblemNote error={save.error} />
          {changed && (
            <Disclosure label="Add a note">
              <TextField
                label="Why, in your own words"
                value={note}
                onChange={(event) => setNote(event.target.value)}
                slotProps={{ htmlInput: { maxLength: 200 } }}
              />
            </Disclosure>
          )}
          {changed && embed.placements > 0 && <ReachNote of={{ embed: embed.key }} />}
        </SaveBar>
      </Paper>
    </Box>
  );
}

const whereItGoes = (embed: Embed): { title: string; says: string; content: ReactNode } => ({
  title: 'Where it goes',
  says: embed.placements === 0 ? 'Not placed yet' : plural(embed.placements, 'place'),
  content: <Placements embed={embed} />,
});
