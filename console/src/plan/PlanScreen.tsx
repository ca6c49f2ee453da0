import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MuiLink from '@mui/material/Link';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';
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
import { PlanSteps } from './PlanSteps.tsx';
import { PrintButton } from './PrintButton.tsx';

/** What one page needs, all of its placements together, in the order of the work. */
export default function PlanScreen() {
  const key = useSearchParams()[0].get('page') ?? '';
  const announce = useAnnounce();
  const found = useQuery({
    queryKey: ['placements', 'plan', key],
    queryFn: async () => {
      const params = { page: key };
      const [page, plan, placed] = await Promise.all([
        api.call('pages.read', { params }),
        api.call('pages.plan', { params }),
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
  if (found.error) return <ProblemNote error={found.error} />;
  if (!found.data) return <Waiting />;
  const { page, plan, placed } = found.data;
  const words = [plan.editor.notes, spoken.editor.working(plan.editor)].filter((each) => each !== '');
  return (
    <>
      <ScreenHead
        title={`What ${page.title} needs`}
        lead={
          <>
            Step by step, in the order of the page{' '}
            <MuiLink href={page.url} target="_blank" rel="noreferrer">
              {page.key}
            </MuiLink>
            . What several embeds need stands here once.
          </>
        }
      >
        <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', displayPrint: 'none' }}>
          {plan.steps.length > 0 && <PrintButton plan={plan} />}
          <Button variant="outlined" size="small" loading={check.isPending} onClick={() => check.mutate()}>
            Check this page now
          </Button>
        </Box>
      </ScreenHead>
      <Stack spacing={3} sx={{ maxWidth: 820 }}>
        <ProblemNote error={check.error} />
        {words.length > 0 && (
          <Card title="How its editor works">
            {words.map((each) => (
              <Typography key={each} sx={{ whiteSpace: 'pre-wrap', overflowWrap: 'anywhere' }}>
                {each}
              </Typography>
            ))}
          </Card>
        )}
        {plan.steps.length === 0 ? (
          <Empty title="Nothing to do">
            Nothing is placed on this page. <Link to="/collection">Choose an embed</Link> and place it in one
            of its spots.
          </Empty>
        ) : (
          <Card title="What to do">
            <PlanSteps plan={plan} names={new Map(placed.map(({ id, embedName }) => [id, embedName]))} />
          </Card>
        )}
        <Findings findings={plan.findings} />
      </Stack>
    </>
  );
}
