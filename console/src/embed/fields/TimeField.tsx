import Button from '@mui/material/Button';
import { formatTime } from '@orbis/core';
import type { PlayerTime } from '../player-time.ts';
import { LineField } from './LineField.tsx';
import type { FieldProps } from './field.ts';

/** A time; where the preview's player tells its own, that can be taken over. */
export function TimeField({ player, ...field }: FieldProps & { player: PlayerTime | null }) {
  const words = field.name === 'end' ? 'To here' : 'From here';
  const take = (): void => {
    const at = player?.now();
    if (at !== null && at !== undefined) field.onChange(formatTime(Math.round(at * 10) / 10));
  };
  return (
    <LineField
      {...field}
      end={
        player?.tells && field.name !== 'delay' ? (
          <Button
            size="small"
            onClick={take}
            sx={{ whiteSpace: 'nowrap', flex: 'none' }}
            title="Takes the time at which the preview is"
          >
            {words}
          </Button>
        ) : undefined
      }
    />
  );
}
