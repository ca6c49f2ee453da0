import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import type { CopyStanding } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { api, refresh, useList } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { Empty } from '../components/Empty.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { formatWhen } from '../components/when.ts';
import { CopyLine } from './CopyLine.tsx';

/* How often it is looked at how far a copy is, in ms. */
const again = 1500;
const isUnderWay = (state: string): boolean => ['waiting', 'making', 'reading'].includes(state);

/** Safety copies: whether they are made, those that there are, and one made now. */
export default function CopiesScreen() {
  const list = useList('copies.list', { limit: 50 }, {}, ({ items }) =>
    items.some(({ state }) => isUnderWay(state)) ? again : false,
  );
  const isBusy = list.items.some(({ state }) => isUnderWay(state));
  const standing = useQuery({
    queryKey: ['copies', 'standing', isBusy],
    queryFn: async () => (await api.call('copies.standing')).data,
  });
  const announce = useAnnounce();
  const make = useMutation({
    mutationFn: async () => api.call('copies.create', { body: {} }),
    onSuccess: async () => {
      await refresh('copies');
      announce('A safety copy is being made.');
    },
  });
  const isOff = standing.data?.standing === 'off';
  return (
    <>
      <ScreenHead title="Safety copies" lead={spoken.copies.explain}>
        {standing.data && !isOff && (
          <Button
            variant="contained"
            loading={make.isPending}
            disabled={isBusy}
            onClick={() => make.mutate()}
          >
            Make one now
          </Button>
        )}
      </ScreenHead>
      <ProblemNote error={standing.error ?? list.error ?? make.error} />
      {standing.isPending && <Waiting />}
      <Stack spacing={3} sx={{ maxWidth: 920 }}>
        {standing.data && <Standing standing={standing.data} />}
        {list.items.length > 0 && (
          <Card title="Copies">
            <Box component="ul" aria-label="Copies" sx={{ m: 0, p: 0, listStyle: 'none' }}>
              {list.items.map((copy) => (
                <CopyLine key={copy.id} copy={copy} />
              ))}
            </Box>
          </Card>
        )}
        {isOff && list.items.length === 0 && (
          <Empty title="None are made yet">
            On the server’s own machine, <code>npm run backup -- --to FOLDER</code> makes one at once.
          </Empty>
        )}
        <More list={list} />
        <Typography variant="body2" color="textSecondary">
          A copy is put back on the server’s own machine, with <code>npm run restore</code>: into a folder of
          its own, beside the Orbis that runs.
        </Typography>
      </Stack>
    </>
  );
}

const severities = { off: 'info', none: 'info', good: 'success', late: 'warning', failed: 'error' } as const;

function Standing({ standing: all }: { standing: CopyStanding }) {
  const { standing, folder, at, keep, encrypted, readBack, lastAt, nextAt } = all;
  return (
    <>
      <Alert severity={severities[standing]} variant="outlined">
        {spoken.copies.standings[standing]}
        {lastAt !== null &&
          (standing === 'good' || standing === 'late') &&
          ` It is of ${formatWhen(lastAt)}.`}
        {lastAt !== null && standing === 'failed' && ` The last good one is of ${formatWhen(lastAt)}.`}
      </Alert>
      {folder !== null && keep !== null && (
        <Card title="How they are made">
          <Typography sx={{ overflowWrap: 'anywhere' }}>
            Each day at {at} one goes into the folder {folder} of the server; the next is due{' '}
            {formatWhen(nextAt)}.
          </Typography>
          <Typography color="textSecondary" sx={{ mt: 1 }}>
            {spoken.copies.keeps(keep)} {spoken.copies.readBack[readBack]}{' '}
            {encrypted ? 'They are encrypted.' : 'They are not encrypted: whoever has one has everything.'}
          </Typography>
        </Card>
      )}
    </>
  );
}
