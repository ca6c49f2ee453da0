import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { AskedHost } from '@orbis/contract';
import { plural, spoken } from '@orbis/contract/language';
import { useList } from '../api.ts';
import { DayChart } from '../charts/DayChart.tsx';
import { lastDays } from '../charts/last-days.ts';
import { Card } from '../components/Card.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { formatWhen } from '../components/when.ts';
import { AskButton } from './AskButton.tsx';
import { ResourceRow } from './ResourceRow.tsx';
import { IfMay } from '../components/IfMay.tsx';

/** One host: how it answered day by day, and what placed embeds load from it. */
export function HostOne({ host }: { host: string }) {
  const found = useList('hosts.list', { host });
  const list = useList('resources.list', { host });
  const [of] = found.items;
  return (
    <>
      <ScreenHead
        title={host}
        lead={
          <>
            What placed embeds load from here.{' '}
            {of && of.faulty > 0 && (
              <>
                <Link to="/attention">What is wrong</Link> ·{' '}
              </>
            )}
            <Link to="/hosts">All hosts</Link>
          </>
        }
      >
        <IfMay call="resources.ask">
          <AskButton host={host} />
        </IfMay>
      </ScreenHead>
      <ProblemNote error={found.error ?? list.error} />
      {list.isPending && <Waiting />}
      <Stack spacing={3}>
        {of && <Answering of={of} />}
        {list.data && (
          <Card title={list.items.length === 0 ? 'Nothing that is placed loads from here' : 'Addresses'}>
            <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
              {list.items.map((resource) => (
                <ResourceRow key={resource.id} resource={resource} />
              ))}
            </Box>
            <More list={list} />
          </Card>
        )}
      </Stack>
    </>
  );
}

type Day = AskedHost['days'][number];
/* So many days are shown at least. */
const leastDays = 14;

function Answering({ of }: { of: AskedHost }) {
  const { took, askedAt, certificateEnds, days } = of;
  const [asked, answered] = [sumOf(days, 'asked'), sumOf(days, 'answered')];
  const shown = lastDays(days[0]?.day ?? '', leastDays);
  const onDay = new Map(days.map((each) => [each.day, each]));
  const counts = (of: (day: Day) => number): number[] =>
    shown.map((name) => {
      const each = onDay.get(name);
      return each ? of(each) : 0;
    });
  const says = [
    ...(askedAt === null ? [] : [`Asked last: ${formatWhen(askedAt)}.`]),
    ...(took === null ? [] : [`It answers in about ${spoken.loaded.took(took)}.`]),
    ...(certificateEnds === null ? [] : [`Its certificate ends: ${formatWhen(certificateEnds)}.`]),
  ];
  return (
    <Card
      title={
        asked === 0
          ? 'Not asked yet'
          : `Answered ${answered === asked ? 'each time' : `${answered} times`} of ${plural(asked, 'question')}`
      }
    >
      <Typography color="textSecondary" sx={{ mb: 2 }}>
        {says.join(' ')}
      </Typography>
      {days.length > 0 && (
        <DayChart
          label={`How ${of.host} answered`}
          days={shown}
          series={[
            { label: 'Answered', colour: 'success.main', counts: counts(({ answered }) => answered) },
            {
              label: 'Not answered',
              colour: 'error.main',
              counts: counts(({ asked, answered }) => asked - answered),
            },
          ]}
        />
      )}
    </Card>
  );
}

const sumOf = (days: readonly Day[], name: 'asked' | 'answered'): number =>
  days.reduce((sum, day) => sum + day[name], 0);
