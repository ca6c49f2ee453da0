import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import type { GroupOutcome } from '@orbis/contract';
import { plural } from '@orbis/contract/language';
import { Card } from '../components/Card.tsx';
import { DryRun } from './DryRun.tsx';

/** What a change of many would do, and the button that does it. */
export function Tried({
  outcome,
  skip,
  onSkip,
  isBusy,
  onDo,
}: {
  outcome: GroupOutcome;
  /** Whether embeds that cannot have it are left alone. */
  skip: boolean;
  onSkip: (on: boolean) => void;
  isBusy: boolean;
  onDo: () => void;
}) {
  const blocked = outcome.impossible.length > 0 && !skip;
  return (
    <Card
      title={`${plural(outcome.changed.length, 'embed')} of ${outcome.found} would change`}
      action={
        <Button
          variant="contained"
          disabled={blocked || outcome.changed.length === 0 || isBusy}
          onClick={onDo}
        >
          Do it
        </Button>
      }
    >
      {outcome.same > 0 && (
        <Typography color="textSecondary">
          {outcome.same === 1 ? 'One has' : `${outcome.same} have`} it already.
        </Typography>
      )}
      {outcome.impossible.length > 0 && (
        <Alert severity="warning" variant="outlined" sx={{ mb: 2 }}>
          {outcome.impossible.map(({ embed, name, problems }) => (
            <div key={embed}>
              <strong>{name}</strong>: {problems.map(({ detail }) => detail).join(' ')}
            </div>
          ))}
          <FormControlLabel
            control={<Switch checked={skip} onChange={(_, on) => onSkip(on)} />}
            label="Leave these alone, and change the others"
          />
        </Alert>
      )}
      <DryRun outcome={outcome} />
    </Card>
  );
}
