import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Change } from '@orbis/contract';
import { api, refreshAll, useList } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { Disclosure } from '../components/Disclosure.tsx';
import { Empty } from '../components/Empty.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { formatWhen } from '../components/when.ts';
import { Feed } from './Feed.tsx';
import { IfMay } from '../components/IfMay.tsx';

/** What was done to the collection and the register, the newest first, and taking it back. */
export default function DoneScreen() {
  const list = useList('changes.list', {});
  const announce = useAnnounce();
  const undo = useMutation({
    mutationFn: async (change: string) =>
      (await api.call('changes.undo', { params: { change }, body: {} })).data,
    onSuccess: async ({ said, remains }) => {
      await refreshAll();
      announce(`Taken back: ${said}. ${remains ?? ''}`);
    },
    // Somebody else may have been faster: the list says what stands.
    onError: () => refreshAll(),
  });
  return (
    <>
      <ScreenHead
        title="What was done"
        lead="The newest first. Take back what you did not mean, step by step. What stands on your published pages stays there until you paste anew."
      />
      <ProblemNote error={list.error ?? undo.error} />
      {list.data && list.items.length === 0 ? (
        <Empty title="Nothing yet">
          <Link to="/collect">Collect a code</Link>: it will be the first thing that stands here.
        </Empty>
      ) : (
        <Card>
          <Box component="ul" aria-label="What was done" sx={{ m: 0, p: 0, listStyle: 'none' }}>
            {list.items.map((change) => (
              <Line
                key={change.id}
                change={change}
                isBusy={undo.isPending}
                onUndo={() => undo.mutate(change.id)}
              />
            ))}
          </Box>
          <More list={list} />
        </Card>
      )}
      {list.items.length > 0 && (
        <Box sx={{ mt: 3 }}>
          <Disclosure label="Follow it in a feed reader">
            <Feed />
          </Disclosure>
        </Box>
      )}
    </>
  );
}

function Line({ change, isBusy, onUndo }: { change: Change; isBusy: boolean; onUndo: () => void }) {
  const { said, by, createdAt, undoneAt, lasting } = change;
  return (
    <Box
      component="li"
      sx={{
        'display': 'flex',
        'columnGap': 2,
        'flexWrap': 'wrap',
        'alignItems': 'center',
        'minHeight': 52,
        'py': 0.75,
        'borderBottom': 1,
        'borderColor': 'divider',
        '&:last-of-type': { borderBottom: 0 },
      }}
    >
      <Typography
        sx={{
          // On a phone it has a line of its own.
          flex: { xs: '1 0 100%', sm: 1 },
          minWidth: 0,
          overflowWrap: 'anywhere',
          textDecoration: undoneAt ? 'line-through' : 'none',
          color: undoneAt ? 'text.secondary' : 'text.primary',
        }}
      >
        {said}
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ fontVariantNumeric: 'tabular-nums' }}>
        {by !== null && `${by}, `}
        {formatWhen(createdAt)}
      </Typography>
      <Box sx={{ width: { sm: 150 }, ml: 'auto', textAlign: 'right' }}>
        {undoneAt || lasting ? (
          <Typography variant="body2" color="textSecondary">
            {undoneAt ? takenBack(change) : 'cannot be taken back'}
          </Typography>
        ) : (
          <IfMay call="changes.undo">
            <Button size="small" disabled={isBusy} aria-label={`Take back: ${said}`} onClick={onUndo}>
              Take it back
            </Button>
          </IfMay>
        )}
      </Box>
    </Box>
  );
}

const takenBack = ({ by, undoneBy }: Change): string =>
  undoneBy === null || undoneBy === by ? 'taken back' : `taken back by ${undoneBy}`;
