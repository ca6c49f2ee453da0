import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { allOptions, type Options } from '@orbis/core';
import type { GroupChange, GroupOutcome } from '@orbis/contract';
import { optionWords, plural } from '@orbis/contract/language';
import { optionsLine } from '@orbis/contract/options';
import { api, refresh, useList } from '../api.ts';
import { optionsOf, type Draft } from '../embed/draft.ts';
import { optionsOfProviders } from '../embed/own-options.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { OwnPresets } from './OwnPresets.tsx';
import { SavePreset } from './SavePreset.tsx';
import { DryRun } from './DryRun.tsx';
import { PastChanges } from './PastChanges.tsx';

/** Changes many embeds at once: what, then what it would do, then done; and taken back as one. */
export default function GroupChangeScreen() {
  const [search] = useSearchParams();
  const where = search.get('where') ?? '';
  const presets = useList('presets.list', {});
  const [preset, setPreset] = useState('');
  const [draft, setDraft] = useState<Draft>({});
  const [skip, setSkip] = useState(false);
  const [tried, setTried] = useState<{ said: string; outcome: GroupOutcome } | null>(null);
  const [done, setDone] = useState<GroupChange | null>(null);
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
      await refresh();
      announce(change ? `${plural(change.embeds, 'embed')} changed.` : 'Nothing differs.');
    },
  });
  const current = tried !== null && tried.said === said ? tried.outcome : null;
  const blocked = current !== null && current.impossible.length > 0 && !skip;

  return (
    <>
      <ScreenHead
        title="Change many at once"
        lead={
          where === '' ? 'Every embed of the collection.' : <>Every embed that this search finds: {where}</>
        }
      />
      <Stack spacing={3}>
        <Card title="What they shall be">
          <Stack spacing={2}>
            <TextField
              label="A preset"
              select
              value={preset}
              onChange={(event) => setPreset(event.target.value)}
              helperText={chosen?.meaning}
              sx={{ maxWidth: 420 }}
              slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
            >
              <MenuItem value="">None</MenuItem>
              {presets.items.map(({ key }) => (
                <MenuItem key={key} value={key}>
                  {key.replaceAll('-', ' ')}
                </MenuItem>
              ))}
            </TextField>
            {Object.keys(draft).map((name) => {
              const { option, label } = choosable.find((known) => known.option.name === name)!;
              const explain = option.own?.explain ?? optionWords(name).explain;
              return (
                <Box key={name} sx={{ display: 'flex', gap: 1, alignItems: 'flex-start', maxWidth: 620 }}>
                  <TextField
                    fullWidth
                    label={label}
                    value={draft[name]}
                    placeholder={option.example}
                    error={wrong[name] !== undefined}
                    helperText={wrong[name] ?? explain}
                    onChange={(event) => setDraft((now) => ({ ...now, [name]: event.target.value }))}
                    slotProps={{ inputLabel: { shrink: true } }}
                  />
                  <Button
                    onClick={() =>
                      setDraft((now) =>
                        Object.fromEntries(Object.entries(now).filter(([other]) => other !== name)),
                      )
                    }
                    aria-label={`Leave ${label} as it is`}
                  >
                    Leave it
                  </Button>
                </Box>
              );
            })}
            <TextField
              label="Another option"
              select
              value=""
              onChange={(event) => setDraft((now) => ({ ...now, [event.target.value]: '' }))}
              sx={{ maxWidth: 420 }}
              slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
            >
              <MenuItem value="">Choose what to set</MenuItem>
              {choosable
                .filter(({ option }) => !(option.name in draft))
                .map(({ option, label }) => (
                  <MenuItem key={option.name} value={option.name}>
                    {label}
                  </MenuItem>
                ))}
            </TextField>
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
          <Card
            title={`${plural(current.changed.length, 'embed')} of ${current.found} would change`}
            action={
              <Button
                variant="contained"
                disabled={blocked || current.changed.length === 0 || make.isPending}
                onClick={() => make.mutate()}
              >
                Do it
              </Button>
            }
          >
            {current.same > 0 && (
              <Typography color="textSecondary">
                {current.same === 1 ? 'One has' : `${current.same} have`} it already.
              </Typography>
            )}
            {current.impossible.length > 0 && (
              <Alert severity="warning" variant="outlined" sx={{ mb: 2 }}>
                {current.impossible.map(({ embed, name, problems }) => (
                  <div key={embed}>
                    <strong>{name}</strong>: {problems.map(({ detail }) => detail).join(' ')}
                  </div>
                ))}
                <FormControlLabel
                  control={<Switch checked={skip} onChange={(_, on) => setSkip(on)} />}
                  label="Leave these alone, and change the others"
                />
              </Alert>
            )}
            <DryRun outcome={current} />
          </Card>
        )}
        {done && (
          <Alert severity="success" variant="outlined">
            {plural(done.embeds, 'embed')} changed: {done.said}. Pages keep the code that they carry until you
            paste the new one there.
          </Alert>
        )}
        <Card title="Your presets">
          <OwnPresets />
        </Card>
        <Card title="What was changed so">
          <PastChanges />
        </Card>
      </Stack>
    </>
  );
}
