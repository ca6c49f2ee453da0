import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import type { Schedule } from '@orbis/contract';
import { Card } from '../components/Card.tsx';
import { ScheduleFields } from '../components/ScheduleFields.tsx';

/** When the pages of a site are read, and whether with a browser as well. */
interface Reading {
  schedule: Schedule | null;
  rendered: boolean;
}

/** When the pages of a site are read without anybody asking. */
export function SiteSchedule({
  reading,
  onChange,
}: {
  reading: Reading;
  onChange: (reading: Reading) => void;
}) {
  const { schedule, rendered } = reading;
  return (
    <Card title="When its pages are read">
      <ScheduleFields
        label="Read them by themselves"
        none="never"
        usualAt="03:00"
        schedule={schedule}
        onChange={(said) => onChange({ rendered, schedule: said })}
      />
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
        Then the register says what is on the pages without your asking: what is missing, altered or out of
        date.
      </Typography>
      <FormControlLabel
        sx={{ mt: 2 }}
        control={<Switch checked={rendered} onChange={(_, on) => onChange({ schedule, rendered: on })} />}
        label="My pages are built by scripts: look with a browser where something is not seen"
      />
      <Typography variant="body2" color="textSecondary">
        It takes a few seconds a page, and a browser has to be installed where Orbis runs.
      </Typography>
    </Card>
  );
}
