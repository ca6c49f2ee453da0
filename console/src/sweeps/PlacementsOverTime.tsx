import { useQuery } from '@tanstack/react-query';
import type { PlacementState } from '@orbis/contract';
import Stack from '@mui/material/Stack';
import { formatState, spoken } from '@orbis/contract/language';
import { outOfDateFor } from '@orbis/contract/out-of-date-for';
import { api } from '../api.ts';
import { DayChart } from '../charts/DayChart.tsx';
import { NamedBars } from '../charts/NamedBars.tsx';
import { lastDays } from '../charts/last-days.ts';
import { Card } from '../components/Card.tsx';

/* From what is as it should be to what is not: so the bars stand on firm ground. */
const colours: Record<PlacementState, string> = {
  'live': 'success.main',
  'paused': 'divider',
  'planned': 'info.main',
  'out-of-date': 'warning.main',
  'altered': 'secondary.main',
  'missing': 'error.main',
  'unreachable': 'text.secondary',
};

/* So many days are shown at least. */
const leastDays = 14;

/** How many placements were in each state, day by day, and for how long they have been out of date. */
export default function PlacementsOverTime() {
  const found = useQuery({
    queryKey: ['placements', 'days'],
    queryFn: async () => (await api.call('placementDays.read', { query: {} })).data,
  });
  const { days = [], outOfDate = {} } = found.data ?? {};
  const [first] = days;
  if (!first) return null;
  const shown = lastDays(first.day, leastDays);
  const onDay = new Map(days.map(({ day, counts }) => [day, counts]));
  const late = outOfDateFor.filter((age) => (outOfDate[age] ?? 0) > 0 || age !== 'unknown');
  const isAnyLate = Object.keys(outOfDate).length > 0;
  return (
    <Stack spacing={3}>
      <Card title="Placements over time">
        <DayChart
          label="Placements by their state"
          days={shown}
          series={(Object.keys(colours) as PlacementState[]).map((state) => ({
            ...{ label: formatState(state), colour: colours[state] },
            counts: shown.map((day) => onDay.get(day)?.[state] ?? 0),
          }))}
        />
      </Card>
      {isAnyLate && (
        <Card title="Out of date for how long">
          <NamedBars
            label="Placements that are out of date, by how long they have been"
            heads={['For', 'Placements']}
            written={String}
            bars={late.map((age) => ({
              ...{ name: spoken.outOfDateFor[age], value: outOfDate[age] ?? 0 },
              cells: [spoken.outOfDateFor[age], String(outOfDate[age] ?? 0)],
            }))}
          />
        </Card>
      )}
    </Stack>
  );
}
