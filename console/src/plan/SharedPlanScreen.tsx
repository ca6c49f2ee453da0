import Box from '@mui/material/Box';
import MuiLink from '@mui/material/Link';
import Stack from '@mui/material/Stack';
import { useQuery } from '@tanstack/react-query';
import { spoken } from '@orbis/contract/language';
import { api } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { Empty } from '../components/Empty.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { formatWhen } from '../components/when.ts';
import mark from '../mark.svg';
import { EditorWords } from './EditorWords.tsx';
import { PlanSteps } from './PlanSteps.tsx';
import { linkedWork } from './work.ts';

/** The steps of one page, for whoever has a link to them and is not signed in. */
export default function SharedPlanScreen() {
  // It stays in the address, so that the page can be loaded anew: browsers send no fragment anywhere.
  const link = location.hash.slice(1);
  const found = useQuery({
    queryKey: ['plans', 'shared', link],
    queryFn: async () => (await api.call('sharedPlans.read', { body: { link } })).data,
    retry: false,
    // The owner, or somebody else with the link, works on the same page.
    refetchInterval: 15_000,
  });
  const plan = found.data;
  return (
    <Box component="main" sx={{ maxWidth: 820, mx: 'auto', px: { xs: 2, sm: 3 }, py: { xs: 3, sm: 5 } }}>
      <Box component="img" src={mark} alt="Orbis" sx={{ width: 32, height: 32, mb: 2, display: 'block' }} />
      {found.error ? (
        <>
          <ScreenHead title="No steps to show" />
          <ProblemNote error={found.error} />
        </>
      ) : !plan ? (
        <Waiting />
      ) : (
        <>
          <ScreenHead
            title={`What ${plan.title} needs`}
            lead={
              <>
                {plan.block ? (
                  `It is pasted once. ${spoken.blocks.shownBy(plan.block)}`
                ) : (
                  <>
                    Step by step, in the order of the page{' '}
                    <MuiLink href={plan.url} target="_blank" rel="noreferrer">
                      {plan.page}
                    </MuiLink>
                    .
                  </>
                )}{' '}
                Copy a code, paste it there, and tick it. Made for {plan.name}; the link holds until{' '}
                {formatWhen(plan.expiresAt)}.
              </>
            }
          />
          <Stack spacing={3}>
            <EditorWords editor={plan.editor} />
            {plan.steps.length === 0 ? (
              <Empty title="Nothing to do">Nothing is wanted on this page now.</Empty>
            ) : (
              <Card title="What to do">
                <PlanSteps
                  plan={plan}
                  names={new Map(plan.embeds.map(({ placement, name }) => [placement, name]))}
                  work={linkedWork(link)}
                />
              </Card>
            )}
          </Stack>
        </>
      )}
    </Box>
  );
}
