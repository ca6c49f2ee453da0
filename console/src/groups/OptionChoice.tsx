import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { Option } from '@orbis/core';
import { optionWords } from '@orbis/contract/language';
import type { Draft } from '../embed/draft.ts';

/** The options that are set for many embeds: each that was chosen has a field, and another can be chosen. */
export function OptionChoice({
  choosable,
  draft,
  wrong,
  onChange,
}: {
  choosable: readonly { option: Option; label: string }[];
  draft: Draft;
  wrong: Readonly<Record<string, string>>;
  onChange: (change: (now: Draft) => Draft) => void;
}) {
  return (
    <>
      {Object.keys(draft).map((name) => {
        const { option, label } = choosable.find((known) => known.option.name === name)!;
        const explain = option.own?.explain ?? optionWords(name).explain;
        return (
          <Box key={name} sx={{ display: 'flex', gap: 1, alignItems: 'flex-start', maxWidth: 620 }}>
            <TextField
              fullWidth
              label={label}
              value={draft[name]}
              placeholder={option.example}
              error={wrong[name] !== undefined}
              helperText={wrong[name] ?? explain}
              onChange={(event) => onChange((now) => ({ ...now, [name]: event.target.value }))}
              slotProps={{ inputLabel: { shrink: true } }}
            />
            <Button
              onClick={() =>
                onChange((now) => Object.fromEntries(Object.entries(now).filter(([other]) => other !== name)))
              }
              aria-label={`Leave ${label} as it is`}
            >
              Leave it
            </Button>
          </Box>
        );
      })}
      <TextField
        label="Another option"
        select
        value=""
        onChange={(event) => onChange((now) => ({ ...now, [event.target.value]: '' }))}
        sx={{ maxWidth: 420 }}
        slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
      >
        <MenuItem value="">Choose what to set</MenuItem>
        {choosable
          .filter(({ option }) => !(option.name in draft))
          .map(({ option, label }) => (
            <MenuItem key={option.name} value={option.name}>
              {label}
            </MenuItem>
          ))}
      </TextField>
    </>
  );
}
