import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import LinearProgress from '@mui/material/LinearProgress';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { ChangeList } from '@orbis/contract';
import { plural } from '@orbis/contract/language';
import { api, refresh, useList } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { Confirm } from '../components/Confirm.tsx';
import { Empty } from '../components/Empty.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { ListedPage } from './ListedPage.tsx';
import { IfMay } from '../components/IfMay.tsx';

/** A list of pages where something is to be done, ticked off one by one. */
export default function ListScreen() {
  const { list: id = '' } = useParams();
  const [onlyOpen, setOnlyOpen] = useState(false);
  const params = { list: id };
  const found = useQuery({
    queryKey: ['changeLists', id],
    queryFn: async () => (await api.call('changeLists.read', { params })).data,
    // Others tick it as well.
    refetchInterval: 10_000,
  });
  const pages = useList('changeListPages.list', onlyOpen ? { open: 'true' } : {}, params, () => 10_000);
  if (found.error) return <ProblemNote error={found.error} />;
  if (!found.data) return <Waiting />;
  const list = found.data;
  return (
    <>
      <ScreenHead
        title={list.name}
        lead="Page by page: see what it needs, do it there, and tick it off. A tick falls away when something else is to be done there later."
      />
      <Box sx={{ maxWidth: 820 }}>
        <Progress list={list} />
        <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'center', my: 2 }}>
          <FormControlLabel
            control={<Switch checked={onlyOpen} onChange={(_, on) => setOnlyOpen(on)} />}
            label="Only what is open"
          />
          <IfMay call="changeLists.fill">
            <ListButtons list={list} />
          </IfMay>
        </Box>
        <ProblemNote error={pages.error} />
        {pages.isPending && <Waiting />}
        {pages.data && pages.items.length === 0 && (
          <Empty title="All of it is ticked">Have the pages read, to see that it arrived.</Empty>
        )}
        {pages.items.length > 0 && (
          <Card>
            <Box component="ul" aria-label="Pages" sx={{ m: 0, p: 0, listStyle: 'none' }}>
              {pages.items.map((page) => (
                <ListedPage key={page.page} list={id} page={page} />
              ))}
            </Box>
          </Card>
        )}
        <More list={pages} />
      </Box>
    </>
  );
}

const Progress = ({ list: { pages, ticked } }: { list: ChangeList }) => (
  <>
    <Typography role="status" sx={{ fontVariantNumeric: 'tabular-nums', mb: 0.5 }}>
      {ticked} of {plural(pages, 'page')} ticked
    </Typography>
    <LinearProgress
      variant="determinate"
      value={pages === 0 ? 100 : (100 * ticked) / pages}
      aria-label="How much is ticked"
      sx={{ height: 8, borderRadius: 4, bgcolor: 'divider' }}
    />
  </>
);

function ListButtons({ list }: { list: ChangeList }) {
  const announce = useAnnounce();
  const navigate = useNavigate();
  const params = { list: list.id };
  const fill = useMutation({
    mutationFn: async () => (await api.call('changeLists.fill', { params })).data,
    onSuccess: async (now) => {
      await refresh('lists');
      const more = now.pages - list.pages;
      announce(more === 0 ? 'No page has come since.' : `${plural(more, 'page')} more on the list.`);
    },
  });
  const remove = useMutation({
    mutationFn: () => api.call('changeLists.delete', { params }),
    onSuccess: async () => {
      await navigate('/');
      await refresh('lists');
      announce(`The list “${list.name}” is removed.`);
    },
  });
  return (
    <>
      <Button size="small" loading={fill.isPending} onClick={() => fill.mutate()}>
        Add what has come since
      </Button>
      <Confirm
        label="Remove the list"
        title={`Remove “${list.name}”?`}
        color="inherit"
        onConfirm={() => remove.mutate()}
      >
        The list and its ticks are gone then. Nothing changes on your pages or in the register.
      </Confirm>
      <ProblemNote error={fill.error ?? remove.error} />
    </>
  );
}
