import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { AskedField } from '@orbis/core';

const most = 6;
const values: Readonly<Record<AskedField['value'], string>> = {
  title: 'its title',
  name: 'your name for it',
  address: 'where its content is',
};

interface Props {
  fields: AskedField[];
  onChange: (fields: AskedField[]) => void;
}

/** What an editor asks for beside a code, and what belongs there. */
export function AskedFields({ fields, onChange }: Props) {
  const change = (at: number, changed: Partial<AskedField>): void =>
    onChange(fields.map((field, i) => (i === at ? { ...field, ...changed } : field)));
  return (
    <Box component="section" aria-label="What it asks for beside a code">
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        What it asks for beside a code, such as a title. The steps of each page say what belongs there.
      </Typography>
      {fields.map(({ label, value }, at) => (
        <Box key={at} sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'center', mb: 1.5 }}>
          <TextField
            label="As the editor calls it"
            value={label}
            onChange={(event) => change(at, { label: event.target.value })}
            slotProps={{ htmlInput: { maxLength: 60 } }}
            sx={{ flex: '1 1 160px' }}
          />
          <TextField
            select
            label="What belongs there"
            value={value}
            onChange={(event) => change(at, { value: event.target.value as AskedField['value'] })}
            sx={{ flex: '1 1 160px' }}
          >
            {Object.entries(values).map(([each, words]) => (
              <MenuItem key={each} value={each}>
                {words}
              </MenuItem>
            ))}
          </TextField>
          <Button
            size="small"
            aria-label={`Take out ${label || 'this field'}`}
            onClick={() => onChange(fields.filter((_, i) => i !== at))}
          >
            Take out
          </Button>
        </Box>
      ))}
      {fields.length < most && (
        <Button size="small" onClick={() => onChange([...fields, { label: '', value: 'title' }])}>
          Add a field
        </Button>
      )}
    </Box>
  );
}
