import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { Schedule } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { Card } from '../components/Card.tsx';

const ownZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
const zones = Intl.supportedValuesOf('timeZone');

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
  const say = (said: Schedule | null): void => onChange({ rendered, schedule: said });
  const every = schedule?.every ?? 'never';
  const now: Schedule = schedule ?? { every: 'day', at: '03:00', zone: ownZone };
  return (
    <Card title="When its pages are read">
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap' }}>
        <TextField
          select
          label="Read them by themselves"
          value={every}
          onChange={({ target }) =>
            say(target.value === 'never' ? null : { ...now, every: target.value as Schedule['every'] })
          }
          sx={{ width: { xs: '100%', sm: 230 } }}
        >
          <MenuItem value="never">never</MenuItem>
          <MenuItem value="hour">every hour</MenuItem>
          <MenuItem value="day">every day</MenuItem>
          {Object.entries(spoken.weekdays).map(([day, name]) => (
            <MenuItem key={day} value={day}>
              every {name}
            </MenuItem>
          ))}
        </TextField>
        {schedule && (
          <>
            <TextField
              type="time"
              label={every === 'hour' ? 'At these minutes' : 'At'}
              value={schedule.at}
              onChange={({ target }) => {
                // A field that is being typed into is empty in between.
                if (target.value !== '') say({ ...schedule, at: target.value });
              }}
              slotProps={{ inputLabel: { shrink: true } }}
              sx={{ width: 150 }}
            />
            <TextField
              select
              label="Time zone"
              value={schedule.zone}
              onChange={({ target }) => say({ ...schedule, zone: target.value })}
              slotProps={{ select: { native: true }, inputLabel: { shrink: true } }}
              sx={{ width: { xs: '100%', sm: 230 } }}
            >
              {[...new Set([schedule.zone, ownZone, ...zones])].map((zone) => (
                <option key={zone} value={zone}>
                  {zone}
                </option>
              ))}
            </TextField>
          </>
        )}
      </Box>
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
