import FeedIcon from '@mui/icons-material/RssFeedOutlined';
import HookIcon from '@mui/icons-material/WebhookOutlined';
import MailIcon from '@mui/icons-material/MailOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { Channel, ChannelChange, ChannelWithSecret } from '@orbis/contract';
import { plural, spoken } from '@orbis/contract/language';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Confirm } from '../components/Confirm.tsx';
import { ListRow, withIcon } from '../components/ListRow.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { formatWhen } from '../components/when.ts';
import { tryOut } from './try-out.ts';

const icons = { mail: <MailIcon />, webhook: <HookIcon />, feed: <FeedIcon /> };

/** A way by which news goes out: what, where to, when, and whether it gets through. */
export function ChannelRow({
  channel,
  onEdit,
  onSecret,
}: {
  channel: Channel;
  onEdit: () => void;
  onSecret: (made: ChannelWithSecret) => void;
}) {
  const { name, kind, paused } = channel;
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const announce = useAnnounce();
  const params = { channel: name };
  const trial = useMutation({
    mutationFn: () => tryOut(name),
    onSuccess: async ({ state, why }) => {
      await refresh('news');
      announce(state === 'sent' ? `It got through to ${name}.` : `It has not got through. ${why}`);
    },
  });
  const change = useMutation({
    mutationFn: (body: ChannelChange) => api.call('channels.change', { params, body, ifMatch: '*' }),
    onSuccess: () => refresh('news'),
  });
  const renew = useMutation({
    mutationFn: async () => (await api.call('channels.renew', { params })).data,
    onSuccess: async (made) => {
      await refresh('news');
      onSecret(made);
    },
  });
  const remove = useMutation({
    mutationFn: () => api.call('channels.delete', { params }),
    onSuccess: async () => {
      await refresh('news');
      announce(`Removed ${name}. It can be taken back under “Done”.`);
    },
  });
  const choose = (work: () => void) => (): void => {
    setMenu(null);
    work();
  };
  return (
    <ListRow columns={withIcon} rowGap={1}>
      <Box role="img" aria-label={spoken.news.channels[kind]} sx={{ lineHeight: 0, color: 'text.secondary' }}>
        {icons[kind]}
      </Box>
      <Box sx={{ minWidth: 0 }}>
        <Typography component="h3" sx={{ fontWeight: 700, overflowWrap: 'anywhere' }}>
          {name}
          {paused && ' · paused'}
        </Typography>
        <Typography sx={{ overflowWrap: 'anywhere' }}>{whatGoes(channel)}</Typography>
        <HowItIs channel={channel} />
        <ProblemNote error={trial.error ?? change.error ?? renew.error ?? remove.error} />
      </Box>
      <Box sx={{ display: 'flex', gap: 1, gridColumn: { xs: '2', sm: 'auto' }, alignItems: 'flex-start' }}>
        {kind !== 'feed' && (
          <Button
            size="small"
            variant="outlined"
            onClick={() => trial.mutate()}
            disabled={trial.isPending || paused}
            aria-label={`Try ${name}`}
          >
            {trial.isPending ? 'Trying …' : 'Try it'}
          </Button>
        )}
        {kind !== 'mail' && (
          <Confirm
            label={kind === 'feed' ? 'Another address' : 'Another key'}
            aria-label={`${kind === 'feed' ? 'Another address' : 'Another key'} for ${name}`}
            title={kind === 'feed' ? 'Give it another address?' : 'Give it another key?'}
            onConfirm={() => renew.mutate()}
          >
            {kind === 'feed'
              ? 'The feed gets another address, and the one of now answers no more.'
              : 'Its events are signed by another key, and by the one of now no more.'}
          </Confirm>
        )}
        <Button
          size="small"
          aria-haspopup="menu"
          aria-label={`More for ${name}`}
          onClick={({ currentTarget }) => setMenu(currentTarget)}
        >
          More…
        </Button>
        <Menu anchorEl={menu} open={menu !== null} onClose={() => setMenu(null)}>
          <MenuItem onClick={choose(onEdit)}>Change…</MenuItem>
          <MenuItem onClick={choose(() => change.mutate({ paused: !paused }))}>
            {paused ? 'Let it go on' : 'Pause it'}
          </MenuItem>
          <MenuItem onClick={choose(() => remove.mutate())}>Remove it</MenuItem>
        </Menu>
      </Box>
    </ListRow>
  );
}

const levels = { note: 'Everything', warning: 'Warnings and errors', error: 'Errors only' };

function whatGoes({ kind, to, site, level, schedule }: Channel): string {
  const what = `${levels[level]}${site === null ? '' : ` of ${site}`}`;
  if (kind === 'feed') return `${what}, for whoever has the address of the feed.`;
  return `${what}, to ${to}, ${schedule === null ? 'at once' : spoken.schedule(schedule)}.`;
}

function HowItIs({ channel: { kind, failing, waiting, dead, lastAt } }: { channel: Channel }) {
  if (failing)
    return (
      <Typography variant="body2" color="error">
        Nothing gets through, since {formatWhen(failing.since)}. {failing.why} It is tried again and again for
        a day.
      </Typography>
    );
  const last = kind === 'feed' ? 'Last asked for' : 'Last got through';
  const told = [
    lastAt === null
      ? kind === 'feed'
        ? 'Never asked for yet'
        : 'Nothing has gone out yet'
      : `${last} ${formatWhen(lastAt)}`,
    ...(waiting > 0 ? [`${plural(waiting, 'message')} waiting`] : []),
    ...(dead > 0 ? [`${dead} given up`] : []),
  ];
  return (
    <Typography variant="body2" color="textSecondary">
      {told.join(' · ')}.
    </Typography>
  );
}
