import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { BlockedContacts, Composition } from '@orbis/contract';
import { ApiError } from '@orbis/contract/client';
import { api, refresh } from '../../api.ts';
import { ProblemNote } from '../../components/ProblemNote.tsx';
import { possible, type FormWork } from '../composed-draft.ts';
import { FoundContacts } from './FoundContacts.tsx';
import type { Subject } from './subject.ts';
import { WatchContacts } from './WatchContacts.tsx';

/**
 * Whom an embed in a frame contacts: found out by a browser or by watching it, fixed as a list, and what its
 * frames were kept from.
 */
export function WhomItContacts({
  of,
  embed,
  contacts: { fixed, hosts, leftOut },
  work,
}: {
  of: Subject;
  embed: string;
  contacts: Composition['frame']['contacts'];
  work: FormWork;
}) {
  const [watched, setWatched] = useState<boolean | null>(null);
  const shown = possible(work.composed);
  const find = useMutation({
    mutationFn: async () =>
      (await api.call('contacts.create', { body: { ...of, options: shown?.options ?? {} } })).data,
  });
  const hasNoBrowser = find.error instanceof ApiError && find.error.code === 'browser-missing';
  const isWatched = watched ?? hasNoBrowser;
  const fix = (found: readonly string[]): void =>
    work.set('contacts', [...new Set([...(fixed ? hosts : []), ...found])].join(', '));
  return (
    <Stack spacing={1} component="section" aria-label="Whom it contacts">
      <Typography variant="body1" component="h3" sx={{ fontWeight: 600 }}>
        Whom it contacts
      </Typography>
      <Typography variant="body2">
        {hosts.length === 0 ? 'Nobody' : hosts.join(', ')}
        <Typography component="span" variant="body2" color="textSecondary">
          {fixed ? ', and nobody else.' : ', by its code. Scripts may load more.'}
          {leftOut.length > 0 && ` Its code also names ${leftOut.join(', ')}, which you have left out.`}
        </Typography>
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button
          variant="outlined"
          loading={find.isPending}
          disabled={shown === null}
          onClick={() => find.mutate()}
        >
          {find.data ? 'Find out again' : 'Find out'}
        </Button>
        <Button variant="outlined" disabled={shown === null} onClick={() => setWatched(!isWatched)}>
          {isWatched ? 'Stop watching' : 'Watch it here'}
        </Button>
        {fixed && <Button onClick={() => work.set('contacts', null)}>Let it contact others again</Button>}
      </Box>
      {hasNoBrowser && isWatched ? (
        <Typography variant="body2">
          Orbis has no browser of its own to find out, so here it is in yours.
        </Typography>
      ) : (
        <ProblemNote error={find.error} />
      )}
      {find.data && (
        <FoundContacts
          contacted={find.data.contacted}
          words={{ found: 'In a browser it contacted:', nobody: 'In a browser it contacted nobody.' }}
          known={hosts}
          areFixed={fixed}
          onFix={fix}
        />
      )}
      {isWatched && shown && (
        <WatchContacts of={{ ...of, options: shown.options }} known={hosts} areFixed={fixed} onFix={fix} />
      )}
      <Kept embed={embed} />
    </Stack>
  );
}

/* What visitors’ browsers say its served frames were kept from. */
function Kept({ embed }: { embed: string }) {
  const blocked = useQuery({
    queryKey: ['placements', 'kept-from', embed],
    queryFn: async () => (await api.call('contacts.blocked', { params: { embed } })).data,
  });
  const forget = useMutation({
    mutationFn: () => api.call('contacts.clear', { params: { embed } }),
    onSuccess: () => refresh('placements'),
  });
  const items = blocked.data?.items ?? [];
  if (items.length === 0) return <ProblemNote error={blocked.error} />;
  return (
    <Box>
      <Typography variant="body2" color="warning.main">
        Visitors’ browsers say that its frames were kept from:
      </Typography>
      <KeptFrom items={items} />
      <ProblemNote error={forget.error} />
      <Button size="small" loading={forget.isPending} onClick={() => forget.mutate()}>
        Forget them
      </Button>
    </Box>
  );
}

const KeptFrom = ({ items }: { items: BlockedContacts['items'] }) => (
  <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
    {items.map(({ host, place, placement, lastAt }) => (
      <Typography key={`${host} ${placement}`} component="li" variant="body2">
        {host}
        <Typography component="span" variant="body2" color="textSecondary">
          {` at ${place}, last on ${lastAt.slice(0, 10)}`}
        </Typography>
      </Typography>
    ))}
  </Box>
);
