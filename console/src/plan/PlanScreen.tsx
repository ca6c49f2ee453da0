import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MuiLink from '@mui/material/Link';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';
import type { PagePlan } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { Empty } from '../components/Empty.tsx';
import { Findings } from '../components/Findings.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { sweepToItsEnd } from '../sweeps/watch.ts';
import { BlocksShown } from './BlocksShown.tsx';
import { EditorWords } from './EditorWords.tsx';
import { PageHistory } from './PageHistory.tsx';
import { PagePicture } from './picture/PagePicture.tsx';
import { PlanSteps } from './PlanSteps.tsx';
import { PrintButton } from './PrintButton.tsx';
import { ShareLinks } from './ShareLinks.tsx';
import { ownersWork } from './work.ts';
import { IfMay } from '../components/IfMay.tsx';
import { siteOf } from '../places/site-of.ts';
import { useMay } from '../session.ts';

/** What one page needs, all of its placements together, in the order of the work. */
export default function PlanScreen() {
  const key = useSearchParams()[0].get('page') ?? '';
  const announce = useAnnounce();
  const may = useMay();
  const found = useQuery({
    queryKey: ['plans', key],
    queryFn: async () => {
      const params = { page: key };
      const [page, plan, placed] = await Promise.all([
        api.call('pages.read', { params }),
        api.call('plans.read', { params }),
        api.call('placements.list', { query: { page: key, limit: 100 } }),
      ]);
      return { page: page.data, plan: plan.data, placed: placed.data.items };
    },
  });
  const check = useMutation({
    mutationFn: async () => sweepToItsEnd({ page: key }),
    onSuccess: async () => {
      await refresh('sweeps');
      announce(`${key} has been read.`);
    },
  });
  // Taken when somebody wants it: it takes a while, and the page is asked for.
  const picture = useQuery({
    queryKey: ['surveys', key],
    queryFn: async () => (await api.call('pageSurveys.create', { params: { page: key }, body: {} })).data,
    enabled: false,
  });
  if (found.error) return <ProblemNote error={found.error} />;
  if (!found.data) return <Waiting />;
  const { page, plan, placed } = found.data;
  return (
    <>
      <ScreenHead
        title={`What ${page.title} needs`}
        lead={
          plan.block ? (
            `It is pasted once. ${spoken.blocks.shownBy(plan.block)}`
          ) : (
            <>
              Step by step, in the order of the page{' '}
              <MuiLink href={page.url} target="_blank" rel="noreferrer">
                {page.key}
              </MuiLink>
              . What several embeds need stands here once.
            </>
          )
        }
      >
        <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', displayPrint: 'none' }}>
          <IfMay call="deliveries.create" site={siteOf(key)}>
            {plan.steps.length > 0 && <PrintButton plan={plan} />}
          </IfMay>
          <Button
            variant="outlined"
            size="small"
            loading={picture.isFetching}
            onClick={() => void picture.refetch()}
          >
            {picture.data
              ? 'Take the picture anew'
              : plan.block
                ? 'Show a page with it in a picture'
                : 'Show the page in a picture'}
          </Button>
          <HowItLooks plan={plan} />
          <IfMay call="sweeps.create" site={siteOf(key)}>
            <Button variant="outlined" size="small" loading={check.isPending} onClick={() => check.mutate()}>
              {plan.block ? 'Check it now' : 'Check this page now'}
            </Button>
          </IfMay>
        </Box>
      </ScreenHead>
      <Box sx={picture.data ? besideIt : {}}>
        {picture.data && (
          <Box sx={{ displayPrint: 'none', minWidth: 0 }}>
            <Card title={plan.block ? 'A page that shows it' : 'The page'}>
              <PagePicture page={page} survey={picture.data} placed={placed} />
            </Card>
          </Box>
        )}
        <Stack spacing={3} sx={{ maxWidth: 820, minWidth: 0 }}>
          <ProblemNote error={check.error ?? picture.error} />
          <EditorWords editor={plan.editor} />
          <BlocksShown shows={plan.shows} />
          {plan.steps.length === 0 ? (
            <Empty title="Nothing to do">
              Nothing is placed {plan.block ? 'in this block' : 'on this page'}.{' '}
              <Link to="/collection">Choose an embed</Link> and place it in one of its spots.
            </Empty>
          ) : (
            <Card title="What to do">
              <TickHint steps={plan.steps} />
              <PlanSteps
                plan={plan}
                names={new Map(placed.map(({ id, embedName }) => [id, embedName]))}
                work={workOn(plan, { mayTick: may('plans.tick', siteOf(key)), check: () => check.mutate() })}
              />
            </Card>
          )}
          <Findings findings={plan.findings} />
          <Box sx={{ displayPrint: 'none' }}>
            <PageHistory page={key} />
          </Box>
          <Box sx={{ displayPrint: 'none' }}>
            <IfMay call="planLinks.create" site={siteOf(key)}>
              <Card title="Have somebody else do it">
                <ShareLinks page={key} />
              </Card>
            </IfMay>
          </Box>
        </Stack>
      </Box>
    </>
  );
}

/* What is done with its steps; nothing by whoever only looks at them. */
const workOn = (plan: PagePlan, { mayTick, check }: { mayTick: boolean; check: () => void }) =>
  mayTick ? ownersWork(plan, check) : null;

/* A block has no page of its own that could be looked at. */
const HowItLooks = ({ plan: { page, block } }: { plan: PagePlan }) =>
  !block && (
    <Button variant="outlined" size="small" component={Link} to={`/looks?page=${encodeURIComponent(page)}`}>
      How it looks
    </Button>
  );

/* What a tick brings about, where there is something to do. */
const TickHint = ({ steps }: Pick<PagePlan, 'steps'>) =>
  steps.some(({ action }) => action !== 'already-there') && (
    <Typography color="textSecondary" sx={{ mb: 2, displayPrint: 'none' }}>
      Tick what is done: then Orbis reads the page by itself, until it is there.
    </Typography>
  );

/* The picture of the page, and its plan beside it where there is room. */
const besideIt = {
  display: 'grid',
  gap: 3,
  alignItems: 'start',
  gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) minmax(0, 1fr)' },
};
