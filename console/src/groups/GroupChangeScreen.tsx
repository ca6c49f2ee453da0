import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { allOptions, type Options } from '@orbis/core';
import type { Change, GroupOutcome } from '@orbis/contract';
import { optionWords, plural } from '@orbis/contract/language';
import { optionsLine } from '@orbis/contract/options';
import { api, refresh, useList } from '../api.ts';
import { optionsOf, type Draft } from '../embed/draft.ts';
import { optionsOfProviders } from '../embed/own-options.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { ChosenPreset } from './ChosenPreset.tsx';
import { OptionChoice } from './OptionChoice.tsx';
import { OwnPresets } from './OwnPresets.tsx';
import { SavePreset } from './SavePreset.tsx';
import { Tried } from './Tried.tsx';

/** Changes many embeds at once: what, then what it would do, then done; and taken back as one. */
export default function GroupChangeScreen() {
  const [search] = useSearchParams();
  const where = search.get('where') ?? '';
  const presets = useList('presets.list', {});
  const [preset, setPreset] = useState('');
  const [draft, setDraft] = useState<Draft>({});
  const [skip, setSkip] = useState(false);
  const [tried, setTried] = useState<{ said: string; outcome: GroupOutcome } | null>(null);
  const [done, setDone] = useState<Change | null>(null);
  const announce = useAnnounce();
  const sheets = useList('providers.list', {}).items.map(({ sheet }) => sheet);
  const ofProviders = optionsOfProviders(sheets);
  const choosable = [
    ...allOptions.map((option) => ({ option, label: optionWords(option.name).label })),
    ...ofProviders,
  ];
  const { options: own, wrong } = optionsOf(draft, { sheets, saved: {} });
  const chosen = presets.items.find(({ key }) => key === preset);
  const wanted: Options = { ...chosen?.options, ...own };
  const said = optionsLine(wanted);
  const body = { where, options: wanted };
  const attempt = useMutation({
    mutationFn: async () => (await api.call('changes.create', { body: { ...body, dryRun: true } })).data,
    onSuccess: (outcome) => {
      setTried({ said, outcome });
      setDone(null);
    },
  });
  const make = useMutation({
    mutationFn: async () =>
      (await api.call('changes.create', { body: { ...body, skipImpossible: skip } })).data,
    onSuccess: async ({ change }) => {
      setTried(null);
      setDone(change);
      await refresh('embeds');
      if (!change) return announce('Nothing differs.');
      await announce.done(`${plural(change.embeds, 'embed')} changed.`);
    },
  });
  const current = tried !== null && tried.said === said ? tried.outcome : null;

  return (
    <>
      <ScreenHead
        title="Change many at once"
        lead={
          where === '' ? 'Every embed of the collection.' : <>Every embed that this search finds: {where}</>
        }
      />
      <Stack spacing={3}>
        <Card title="What to change them to">
          <Stack spacing={2}>
            <ChosenPreset presets={presets.items} value={preset} onChange={setPreset} />
            <OptionChoice choosable={choosable} draft={draft} wrong={wrong} onChange={setDraft} />
            <Box>
              <Button
                variant={current ? 'outlined' : 'contained'}
                disabled={said === '' || Object.keys(wrong).length > 0 || attempt.isPending}
                onClick={() => attempt.mutate()}
              >
                See what it would do
              </Button>
            </Box>
            {said !== '' && Object.keys(wrong).length === 0 && <SavePreset options={wanted} />}
            <ProblemNote error={attempt.error ?? make.error} />
          </Stack>
        </Card>
        {current && (
          <Tried
            outcome={current}
            skip={skip}
            onSkip={setSkip}
            isBusy={make.isPending}
            onDo={() => make.mutate()}
          />
        )}
        {done && (
          <Alert severity="success" variant="outlined">
            {plural(done.embeds, 'embed')} changed. Pages keep the code that they carry until you paste the
            new one there. <Link to="/done">What was done</Link> takes it back, if you want.
          </Alert>
        )}
        <Card title="Your presets">
          <OwnPresets />
        </Card>
      </Stack>
    </>
  );
}
