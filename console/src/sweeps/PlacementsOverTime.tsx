import { useQuery } from '@tanstack/react-query';
import type { PlacementState } from '@orbis/contract';
import { formatState } from '@orbis/contract/language';
import { api } from '../api.ts';
import { DayChart } from '../charts/DayChart.tsx';
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

/** How many placements were in each state, day by day. */
export default function PlacementsOverTime() {
  const found = useQuery({
    queryKey: ['placements', 'days'],
    queryFn: async () => (await api.call('placementDays.read', { query: {} })).data,
  });
  const days = found.data?.days ?? [];
  const [first] = days;
  if (!first) return null;
  const shown = lastDays(first.day, leastDays);
  const onDay = new Map(days.map(({ day, counts }) => [day, counts]));
  return (
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
  );
}
