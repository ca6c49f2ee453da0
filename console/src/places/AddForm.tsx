import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

interface Field {
  name: string;
  label: string;
  placeholder?: string;
  initial?: string;
  /** In px; the rest of the line is shared. */
  width?: number;
  required?: boolean;
  type?: 'text' | 'password' | 'number';
  autoComplete?: string;
  /** One of these, by its value and its words. */
  choices?: readonly (readonly [value: string, label: string])[];
}

/** A short form that adds one thing, says so, and is empty again. */
export function AddForm({
  fields,
  button,
  add,
}: {
  fields: Field[];
  button: string;
  add: (values: Record<string, string>) => Promise<string>;
}) {
  const empty = (): Record<string, string> =>
    Object.fromEntries(fields.map((field) => [field.name, field.initial ?? '']));
  const [values, setValues] = useState(empty);
  const announce = useAnnounce();
  const work = useMutation({
    mutationFn: async () => add(values),
    onSuccess: async (sentence) => {
      setValues(empty());
      await refresh();
      announce(sentence);
    },
  });
  return (
    <Box component="form" onSubmit={(event) => (event.preventDefault(), work.mutate())}>
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        {fields.map(
          ({ name, label, placeholder, width, required = true, type = 'text', autoComplete, choices }) => (
            <TextField
              key={name}
              label={label}
              placeholder={placeholder}
              required={required}
              type={type}
              {...(autoComplete !== undefined && { autoComplete })}
              {...(choices && { select: true })}
              value={values[name]}
              onChange={(e) => setValues((now) => ({ ...now, [name]: e.target.value }))}
              fullWidth={false}
              sx={{ flex: width ? `0 1 ${width}px` : '1 1 200px', minWidth: width ? 90 : 180 }}
            >
              {choices?.map(([value, words]) => (
                <MenuItem key={value} value={value}>
                  {words}
                </MenuItem>
              ))}
            </TextField>
          ),
        )}
        <Button type="submit" variant="outlined" disabled={work.isPending} sx={{ height: 40 }}>
          {button}
        </Button>
      </Box>
      <ProblemNote error={work.error} />
    </Box>
  );
}
