import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import MuiLink from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { ChangeListPage } from '@orbis/contract';
import { formatState } from '@orbis/contract/language';
import { api, refresh } from '../api.ts';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { formatWhen } from '../components/when.ts';
import { useMay } from '../session.ts';

/** A page of a list, with what is to be done there, and its tick. */
export function ListedPage({ list, page }: { list: string; page: ChangeListPage }) {
  const params = { list, page: page.page };
  const tick = useMutation({
    mutationFn: (on: boolean) =>
      on
        ? api.call('changeListPages.tick', { params, body: { work: page.work } })
        : api.call('changeListPages.untick', { params }),
    // Also where somebody was faster: then the list says so.
    onSettled: () => refresh('lists'),
  });
  const may = useMay();
  const isTicked = tick.isPending ? tick.variables : page.ticked !== null;
  return (
    <Box
      component="li"
      sx={{
        'display': 'grid',
        'gridTemplateColumns': '2.5rem 1fr',
        'columnGap': 1,
        'py': 1.25,
        'borderTop': 1,
        'borderColor': 'divider',
        '&:first-of-type': { borderTop: 0, pt: 0 },
      }}
    >
      <Checkbox
        checked={isTicked}
        disabled={!may('changeListPages.tick')}
        onChange={(_, on) => tick.mutate(on)}
        slotProps={{ input: { 'aria-label': `${page.title} is done` } }}
        sx={{ alignSelf: 'start', mt: -1 }}
      />
      <Box sx={{ minWidth: 0 }}>
        <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'baseline' }}>
          <Typography sx={{ fontWeight: 700 }}>{page.title}</Typography>
          <MuiLink href={page.url} target="_blank" rel="noreferrer" variant="body2">
            {page.page}
          </MuiLink>
          <MuiLink
            component={Link}
            to={`/plan?page=${encodeURIComponent(page.page)}`}
            variant="body2"
            aria-label={`What ${page.title} needs`}
          >
            What it needs
          </MuiLink>
        </Box>
        <Typography variant="body2" color="textSecondary">
          {toDoOn(page)}
        </Typography>
        {page.again && (
          <Typography variant="body2" sx={{ color: 'warning.main' }}>
            It was ticked, and something else is to be done there since.
          </Typography>
        )}
        {page.ticked && (
          <Typography variant="body2" color="textSecondary">
            Ticked by {page.ticked.by}, {formatWhen(page.ticked.at)}
          </Typography>
        )}
        <ProblemNote error={tick.error} />
      </Box>
    </Box>
  );
}

const toDoOn = ({ toDo }: ChangeListPage): string =>
  toDo.length === 0
    ? 'Nothing: all of it is live.'
    : toDo
        .map(
          ({ embedName, state, takeOut }) => `${embedName}: ${takeOut ? 'to take out' : formatState(state)}`,
        )
        .join(' · ');
