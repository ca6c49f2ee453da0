import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import type { Diagnosis } from '@orbis/contract';
import { doctorCodes, doctorStates } from '@orbis/contract/doctor-checks';
import { spoken } from '@orbis/contract/language';
import { api } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { formatWhen } from '../components/when.ts';
import { HealthMark } from './HealthMark.tsx';

/** Whether the installation is well, and what to do where it is not. */
export default function HealthScreen() {
  const examination = useQuery({
    queryKey: ['doctor'],
    queryFn: async () => (await api.call('doctor.read')).data,
    staleTime: 60_000,
  });
  const { data } = examination;
  // What does not work first; what is alike in the order in which it was looked at.
  const checks = [...(data?.checks ?? [])].sort(
    (a, b) => doctorStates.indexOf(b.state) - doctorStates.indexOf(a.state),
  );
  return (
    <>
      <ScreenHead
        title="Health"
        lead="Whether the installation of this Orbis is well: what it needs, and what to do where something is not as it should be."
      >
        <Button
          variant="contained"
          loading={examination.isFetching}
          onClick={() => void examination.refetch()}
        >
          Look again
        </Button>
      </ScreenHead>
      <ProblemNote error={examination.error} />
      {examination.isPending && <Waiting />}
      {data && (
        <Stack spacing={2} sx={{ maxWidth: 920 }}>
          <Typography role="status">{summary(checks)}</Typography>
          <Card>
            <Box component="ul" aria-label="What was looked at" sx={{ m: 0, p: 0, listStyle: 'none' }}>
              {checks.map((check) => (
                <CheckRow key={check.code} check={check} />
              ))}
            </Box>
          </Card>
          <Typography variant="body2" color="textSecondary">
            Orbis {data.version}, looked at {formatWhen(data.at)}.
          </Typography>
        </Stack>
      )}
    </>
  );
}

const CheckRow = ({ check: { code, state, said, todo } }: { check: Diagnosis }) => (
  <Box
    component="li"
    aria-label={spoken.doctor.names[doctorCodes[code]]}
    sx={{
      'display': 'grid',
      'gridTemplateColumns': { xs: '26px 1fr', sm: '26px 190px 1fr' },
      'columnGap': 1.5,
      'py': 1.25,
      'borderTop': 1,
      'borderColor': 'divider',
      '&:first-of-type': { borderTop: 0, pt: 0 },
      '&:last-of-type': { pb: 0 },
    }}
  >
    <HealthMark state={state} />
    <Typography sx={{ fontWeight: 600 }}>{spoken.doctor.names[doctorCodes[code]]}</Typography>
    <Box sx={{ gridColumn: { xs: 2, sm: 'auto' }, minWidth: 0 }}>
      <Typography sx={{ overflowWrap: 'anywhere' }}>{said}</Typography>
      {todo !== null && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 0.25, overflowWrap: 'anywhere' }}>
          {todo}
        </Typography>
      )}
    </Box>
  </Box>
);

function summary(checks: readonly Diagnosis[]): string {
  const count = (state: Diagnosis['state']): number => checks.filter((check) => check.state === state).length;
  const [faults, warnings] = [count('fault'), count('warning')];
  if (faults + warnings === 0) return 'All is well.';
  const parts = [
    ...(faults > 0 ? [`${faults} ${faults === 1 ? 'thing does' : 'things do'} not work`] : []),
    ...(warnings > 0 ? [`${warnings} ${warnings === 1 ? 'thing wants' : 'things want'} looking at`] : []),
  ];
  return `${parts.join(', and ')}.`;
}
