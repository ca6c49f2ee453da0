import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import type { PlanStep } from '@orbis/contract';
import { refresh } from '../api.ts';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { formatWhen } from '../components/when.ts';
import type { PlanWork } from './work.ts';

/** Says that a step is done, and who said so. */
export function StepTick({ number, step, work }: { number: number; step: PlanStep; work: PlanWork }) {
  const tick = useMutation({
    mutationFn: (done: boolean) => work.tick(step, done),
    // Also where somebody was faster: then the step says so.
    onSettled: () => refresh('plans'),
  });
  const isTicked = tick.isPending ? tick.variables : step.ticked !== null;
  return (
    <Box sx={{ displayPrint: 'none', mt: 0.5 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1, alignItems: 'center' }}>
        <FormControlLabel
          control={
            <Checkbox
              checked={isTicked}
              onChange={(_, done) => tick.mutate(done)}
              slotProps={{ input: { 'aria-label': `Step ${number} is done` } }}
            />
          }
          label="Done"
        />
        {step.ticked && isTicked && (
          <Typography variant="body2" color="textSecondary">
            ticked by {step.ticked.by}, {formatWhen(step.ticked.at)}
          </Typography>
        )}
        {step.ticked && isTicked && work.check && (
          <Button size="small" onClick={work.check} aria-label={`Check step ${number} on the page now`}>
            Check now
          </Button>
        )}
      </Box>
      <ProblemNote error={tick.error} />
    </Box>
  );
}
