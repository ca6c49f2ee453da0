import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { Channel, ChannelKind, ChannelWithSecret, NewChannel, Schedule } from '@orbis/contract';
import { api, refresh, useList } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScheduleFields } from '../components/ScheduleFields.tsx';

const kinds: Readonly<Record<ChannelKind, [label: string, says: string]>> = {
  mail: ['By mail', 'In words, with what to do about each.'],
  feed: ['In a feed reader', 'As a feed (Atom) that your reader asks for now and then.'],
  webhook: ['To a program', 'As signed events (CloudEvents), each as soon as it comes.'],
};

/** A form’s values, as they are typed. */
interface Values {
  kind: ChannelKind;
  name: string;
  to: string;
  site: string;
  level: Channel['level'];
  schedule: Schedule | null;
}

const fresh: Values = { kind: 'mail', name: '', to: '', site: '', level: 'warning', schedule: null };

const valuesOf = ({ kind, name, to, site, level, schedule }: Channel): Values => ({
  ...{ kind, name, level, schedule },
  to: to ?? '',
  site: site ?? '',
});

/** Adds a way by which news goes out, or changes one. */
export function ChannelDialog({
  channel,
  onClose,
  onMade,
}: {
  /** The one that is changed; null for a new one. */
  channel: Channel | null;
  onClose: () => void;
  onMade: (made: ChannelWithSecret) => void;
}) {
  const announce = useAnnounce();
  const [values, setValues] = useState<Values>(() => (channel === null ? fresh : valuesOf(channel)));
  const save = useMutation({
    mutationFn: () => (channel === null ? make(values) : change(channel, values)),
    onSuccess: async (made) => {
      await refresh('news');
      onClose();
      if (made) onMade(made);
      announce(channel === null ? `News goes to ${values.name} from now on.` : `${values.name} is changed.`);
    },
  });
  const isReady = values.name.trim() !== '' && (values.kind === 'feed' || values.to.trim() !== '');
  return (
    <Dialog open onClose={onClose} aria-labelledby="channel-title" maxWidth="sm" fullWidth>
      <DialogTitle id="channel-title">
        {channel === null ? 'How do you want to hear of it?' : `Change “${channel.name}”`}
      </DialogTitle>
      <DialogContent>
        <Stack
          component="form"
          id="channel-form"
          spacing={2.5}
          sx={{ pt: 1 }}
          onSubmit={(event) => {
            event.preventDefault();
            if (isReady) save.mutate();
          }}
        >
          <ProblemNote error={save.error} />
          <ChannelFields
            values={values}
            isNew={channel === null}
            onSet={(some) => setValues((old) => ({ ...old, ...some }))}
          />
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button type="submit" form="channel-form" variant="contained" disabled={!isReady || save.isPending}>
          {channel === null ? 'Add it' : 'Save'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function ChannelFields({
  values: { kind, name, to, site, level, schedule },
  isNew,
  onSet,
}: {
  values: Values;
  isNew: boolean;
  onSet: (some: Partial<Values>) => void;
}) {
  const sites = useList('sites.list', {});
  return (
    <>
      {isNew && (
        <>
          <TextField
            select
            label="How"
            value={kind}
            onChange={({ target }) => onSet({ kind: target.value as ChannelKind, to: '', schedule: null })}
          >
            {Object.entries(kinds).map(([value, [label]]) => (
              <MenuItem key={value} value={value}>
                {label}
              </MenuItem>
            ))}
          </TextField>
          <Typography variant="body2" color="textSecondary" sx={{ mt: '8px !important' }}>
            {kinds[kind][1]}
          </Typography>
          <TextField
            label="What you call it"
            placeholder={kind === 'mail' ? 'To me' : kind === 'feed' ? 'My reader' : 'Our tickets'}
            value={name}
            required
            onChange={({ target }) => onSet({ name: target.value })}
            slotProps={{ htmlInput: { maxLength: 60 } }}
          />
        </>
      )}
      {kind !== 'feed' && (
        <TextField
          label={kind === 'mail' ? 'Mail address' : 'Address of the program'}
          placeholder={kind === 'mail' ? 'you@example.org' : 'https://example.org/news'}
          value={to}
          required
          onChange={({ target }) => onSet({ to: target.value })}
        />
      )}
      <TextField
        select
        label="What of"
        value={level}
        onChange={({ target }) => onSet({ level: target.value as Channel['level'] })}
      >
        <MenuItem value="note">everything</MenuItem>
        <MenuItem value="warning">warnings and errors</MenuItem>
        <MenuItem value="error">errors only</MenuItem>
      </TextField>
      <TextField
        select
        label="Which sites"
        value={site}
        onChange={({ target }) => onSet({ site: target.value })}
        slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      >
        <MenuItem value="">all sites</MenuItem>
        {sites.items.map((each) => (
          <MenuItem key={each.key} value={each.key}>
            {each.name}
          </MenuItem>
        ))}
      </TextField>
      {kind === 'mail' && (
        <ScheduleFields
          label="When"
          none="at once"
          usualAt="07:00"
          schedule={schedule}
          onChange={(said) => onSet({ schedule: said })}
        />
      )}
    </>
  );
}

async function make({ kind, name, to, site, level, schedule }: Values): Promise<ChannelWithSecret> {
  const about = { name: name.trim(), site: site === '' ? null : site, level };
  const body: NewChannel =
    kind === 'mail'
      ? { kind, ...about, to: to.trim(), schedule }
      : kind === 'webhook'
        ? { kind, ...about, to: to.trim() }
        : { kind, ...about };
  return (await api.call('channels.create', { body })).data;
}

async function change(
  { name, kind }: Channel,
  { to, site, level, schedule }: Values,
): Promise<ChannelWithSecret | null> {
  await api.call('channels.change', {
    params: { channel: name },
    ifMatch: '*',
    body: {
      ...(kind !== 'feed' && { to: to.trim() }),
      ...{ site: site === '' ? null : site, level },
      ...(kind === 'mail' && { schedule }),
    },
  });
  return null;
}
