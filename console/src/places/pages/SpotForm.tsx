import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import { useMutation } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { spotDevices, type SpotDevice } from '@orbis/core';
import type { Spot, SpotValues } from '@orbis/contract';
import { refresh } from '../../api.ts';
import { useAnnounce } from '../../components/Announcer.tsx';
import { ProblemNote } from '../../components/ProblemNote.tsx';
import { FixedSizeField } from './FixedSizeField.tsx';

/** What is known of a spot, but for its name. */
export type SpotSaid = Pick<Spot, 'widths' | 'heights' | 'selector'>;

/** A spot of which nothing is known yet. */
export const newSpot: SpotSaid = {
  widths: { phone: 358, tablet: 704, desktop: 760 },
  heights: {},
  selector: null,
};

const deviceNames: Record<SpotDevice, string> = { phone: 'Phone', tablet: 'Tablet', desktop: 'Desktop' };

/** Says how large a spot is and where it is; with a name where it is a new one. */
export function SpotForm({
  spot,
  label,
  button,
  named = false,
  children,
  save,
}: {
  spot: SpotSaid;
  label: string;
  button: string;
  named?: boolean;
  /** What else can be said of it. */
  children?: ReactNode;
  /** Saves it, and says what is there then. */
  save: (values: SpotValues, name: string) => Promise<string>;
}) {
  const announce = useAnnounce();
  const [name, setName] = useState('');
  const [said, setSaid] = useState(() => onlySaid(spot));
  const isFixed = Object.keys(said.heights).length > 0;
  const work = useMutation({
    mutationFn: () => save(said, name.trim()),
    onSuccess: async (sentence) => {
      setName('');
      if (named) setSaid(onlySaid(spot));
      await refresh('sites');
      await announce.done(sentence);
    },
  });
  const resize = (device: SpotDevice, width: number, height?: number): void =>
    setSaid((now) => ({
      ...now,
      widths: { ...now.widths, [device]: width },
      heights: height === undefined ? now.heights : { ...now.heights, [device]: height },
    }));
  const setFixed = (fixed: boolean): void =>
    setSaid((now) => (fixed ? { ...now, ...mediumRectangle } : { ...now, widths: spot.widths, heights: {} }));
  return (
    <Box
      component="form"
      aria-label={label}
      onSubmit={(event) => (event.preventDefault(), work.mutate())}
      sx={{ display: 'flex', flexDirection: 'column', gap: 1.5, py: 1 }}
    >
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap' }}>
        {named && (
          <TextField
            label="Name of a spot"
            placeholder="main"
            required
            value={name}
            onChange={({ target }) => setName(target.value)}
            sx={{ flex: '1 1 180px' }}
          />
        )}
        {spotDevices.map((device) =>
          isFixed ? (
            <FixedSizeField
              key={device}
              label={`${deviceNames[device]} size`}
              size={{ width: said.widths[device], height: said.heights[device] }}
              onChange={({ width, height }) => resize(device, width, height)}
            />
          ) : (
            <TextField
              key={device}
              label={`${deviceNames[device]} px`}
              type="number"
              required
              value={said.widths[device] || ''}
              onChange={({ target }) => resize(device, Number(target.value))}
              sx={{ flex: '0 1 110px' }}
            />
          ),
        )}
      </Box>
      <FormControlLabel
        control={<Switch checked={isFixed} onChange={({ target }) => setFixed(target.checked)} />}
        label="It has a fixed size, as places for advertisements have"
      />
      <TextField
        label="Where it is on the page"
        value={said.selector ?? ''}
        onChange={({ target }) => setSaid({ ...said, selector: target.value || null })}
        helperText="Pointing at it in the picture of the page fills this in. By hand it is a CSS selector, such as main or #content."
      />
      {children}
      <Button type="submit" variant="outlined" loading={work.isPending} sx={{ alignSelf: 'flex-start' }}>
        {button}
      </Button>
      <ProblemNote error={work.error} />
    </Box>
  );
}

/* Without what else is known of a spot. */
const onlySaid = ({ widths, heights, selector }: SpotSaid): SpotSaid => ({ widths, heights, selector });

const mediumRectangle = {
  widths: { phone: 300, tablet: 300, desktop: 300 },
  heights: { phone: 250, tablet: 250, desktop: 250 },
};
