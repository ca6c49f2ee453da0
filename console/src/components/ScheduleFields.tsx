import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { Schedule } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';

const ownZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
const zones = Intl.supportedValuesOf('timeZone');

/** When something comes again and again, or that it does not. */
export function ScheduleFields({
  label,
  none,
  usualAt,
  schedule,
  onChange,
}: {
  label: string;
  /** What it is called where there is no time for it. */
  none: string;
  /** The time of day that is meant at first, as HH:MM. */
  usualAt: string;
  schedule: Schedule | null;
  onChange: (schedule: Schedule | null) => void;
}) {
  const every = schedule?.every ?? 'none';
  const now: Schedule = schedule ?? { every: 'day', at: usualAt, zone: ownZone };
  return (
    <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap' }}>
      <TextField
        select
        label={label}
        value={every}
        onChange={({ target }) =>
          onChange(target.value === 'none' ? null : { ...now, every: target.value as Schedule['every'] })
        }
        sx={{ width: { xs: '100%', sm: 230 } }}
      >
        <MenuItem value="none">{none}</MenuItem>
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
  );
}
