import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { isAmong } from '@orbis/core';
import type { BlockedContacts, Composition, ContactsSeen } from '@orbis/contract';
import { formatUses } from '@orbis/contract/language';
import { api, refresh } from '../../api.ts';
import { ProblemNote } from '../../components/ProblemNote.tsx';
import { possible, type FormWork } from '../composed-draft.ts';
import type { Subject } from './subject.ts';

/**
 * Whom an embed in a frame contacts: found out by a browser, fixed as a list, and what its frames were kept
 * from.
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
  const shown = possible(work.composed);
  const find = useMutation({
    mutationFn: async () =>
      (await api.call('contacts.create', { body: { ...of, options: shown?.options ?? {} } })).data,
  });
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
        {fixed && <Button onClick={() => work.set('contacts', null)}>Let it contact others again</Button>}
      </Box>
      <ProblemNote error={find.error} />
      {find.data && (
        <Found
          seen={find.data}
          known={hosts}
          areFixed={fixed}
          onFix={(found) =>
            work.set('contacts', [...new Set([...(fixed ? hosts : []), ...found])].join(', '))
          }
        />
      )}
      <Kept embed={embed} />
    </Stack>
  );
}

function Found({
  seen: { contacted },
  known,
  areFixed,
  onFix,
}: {
  seen: ContactsSeen;
  known: readonly string[];
  areFixed: boolean;
  onFix: (hosts: readonly string[]) => void;
}) {
  if (contacted.length === 0)
    return <Typography variant="body2">In a browser it contacted nobody.</Typography>;
  return (
    <Box aria-live="polite">
      <Typography variant="body2">In a browser it contacted:</Typography>
      <Box component="ul" sx={{ m: 0, mb: 1, pl: 2.5 }}>
        {contacted.map(({ host, uses, afterClick }) => (
          <Typography key={host} component="li" variant="body2" data-contact={host}>
            {host}
            <Typography component="span" variant="body2" color="textSecondary">
              {` for ${formatUses(uses)}${afterClick ? ', after a click' : ''}${isAmong(host, known) ? '' : ', not named before'}`}
            </Typography>
          </Typography>
        ))}
      </Box>
      {(!areFixed || contacted.some(({ host }) => !isAmong(host, known))) && (
        <Button variant="outlined" onClick={() => onFix(contacted.map(({ host }) => host))}>
          Let it contact only these
        </Button>
      )}
    </Box>
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
