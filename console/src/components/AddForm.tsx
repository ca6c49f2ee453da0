import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMutation } from '@tanstack/react-query';
import { Controller, useForm } from 'react-hook-form';
import { refresh, type Changed } from '../api.ts';
import { useAnnounce } from './Announcer.tsx';
import { ProblemNote } from './ProblemNote.tsx';

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
  changes,
  add,
}: {
  fields: Field[];
  button: string;
  /** What is there once more when it is done. */
  changes: Changed;
  add: (values: Record<string, string>) => Promise<string>;
}) {
  const { control, handleSubmit, reset } = useForm<Record<string, string>>({
    defaultValues: Object.fromEntries(fields.map(({ name, initial = '' }) => [name, initial])),
  });
  const announce = useAnnounce();
  const work = useMutation({
    mutationFn: add,
    onSuccess: async (sentence) => {
      reset();
      await refresh(changes);
      announce(sentence);
    },
  });
  return (
    <Box component="form" onSubmit={handleSubmit((values) => work.mutate(values))}>
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        {fields.map(
          ({ name, label, placeholder, width, required = true, type = 'text', autoComplete, choices }) => (
            <Controller
              key={name}
              name={name}
              control={control}
              render={({ field: { ref, ...field } }) => (
                <TextField
                  {...field}
                  inputRef={ref}
                  label={label}
                  placeholder={placeholder}
                  required={required}
                  type={type}
                  {...(autoComplete !== undefined && { autoComplete })}
                  {...(choices && { select: true })}
                  fullWidth={false}
                  sx={{ flex: width ? `0 1 ${width}px` : '1 1 200px', minWidth: width ? 90 : 180 }}
                >
                  {choices?.map(([value, words]) => (
                    <MenuItem key={value} value={value}>
                      {words}
                    </MenuItem>
                  ))}
                </TextField>
              )}
            />
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
