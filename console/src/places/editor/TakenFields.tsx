import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { EditorRules, TakenNames } from '@orbis/core';

interface Props {
  rules: EditorRules;
  onChange: (changed: Partial<EditorRules>) => void;
}

/** What an editor takes out of a code. */
export function TakenFields({ rules, onChange }: Props) {
  return (
    <>
      <Taken
        label="Elements"
        example="script, style"
        taken={rules.elements}
        onChange={(elements) => onChange({ elements })}
      />
      <Taken
        label="Attributes"
        example="style, data-*"
        taken={rules.attributes}
        onChange={(attributes) => onChange({ attributes })}
      />
      <Box sx={{ display: 'flex', flexDirection: 'column', alignItems: 'flex-start' }}>
        <FormControlLabel
          control={
            <Switch
              checked={rules.inlineScripts}
              onChange={(_, inlineScripts) => onChange({ inlineScripts })}
            />
          }
          label="Scripts that stand in the code itself come through"
        />
        <FormControlLabel
          control={<Switch checked={rules.comments} onChange={(_, comments) => onChange({ comments })} />}
          label="Comments come through"
        />
      </Box>
    </>
  );
}

function Taken({
  label,
  example,
  taken,
  onChange,
}: {
  label: string;
  example: string;
  taken: TakenNames;
  onChange: (taken: TakenNames) => void;
}) {
  // What is being typed may end with a comma.
  const [text, setText] = useState(taken.names.join(', '));
  return (
    <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '220px 1fr' } }}>
      <TextField
        select
        label={`${label} taken out`}
        value={taken.which}
        onChange={(event) => onChange({ ...taken, which: event.target.value as TakenNames['which'] })}
      >
        <MenuItem value="these">only these</MenuItem>
        <MenuItem value="all-but">all but these</MenuItem>
      </TextField>
      <TextField
        label={label}
        value={text}
        placeholder={`none, or such as ${example}`}
        onChange={(event) => {
          setText(event.target.value);
          onChange({ ...taken, names: namesIn(event.target.value) });
        }}
        multiline
        maxRows={4}
        slotProps={{ inputLabel: { shrink: true } }}
      />
    </Box>
  );
}

const namesIn = (text: string): string[] =>
  text
    .split(',')
    .map((name) => name.trim().toLowerCase())
    .filter((name) => name !== '');
