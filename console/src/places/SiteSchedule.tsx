import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { Schedule } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { Card } from '../components/Card.tsx';

const ownZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
const zones = Intl.supportedValuesOf('timeZone');

/** When the pages of a site are read without anybody asking. */
export function SiteSchedule({
  schedule,
  onChange,
}: {
  schedule: Schedule | null;
  onChange: (schedule: Schedule | null) => void;
}) {
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
            onChange(target.value === 'never' ? null : { ...now, every: target.value as Schedule['every'] })
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
                if (target.value !== '') onChange({ ...schedule, at: target.value });
              }}
              slotProps={{ inputLabel: { shrink: true } }}
              sx={{ width: 150 }}
            />
            <TextField
              select
              label="Time zone"
              value={schedule.zone}
              onChange={({ target }) => onChange({ ...schedule, zone: target.value })}
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
    </Card>
  );
}
