import FormControl from '@mui/material/FormControl';
import FormHelperText from '@mui/material/FormHelperText';
import InputLabel from '@mui/material/InputLabel';
import OutlinedInput, { type OutlinedInputProps } from '@mui/material/OutlinedInput';
import { useId } from 'react';

interface Props extends Pick<
  OutlinedInputProps,
  | 'value'
  | 'onChange'
  | 'onPaste'
  | 'placeholder'
  | 'multiline'
  | 'minRows'
  | 'maxRows'
  | 'autoFocus'
  | 'required'
  | 'slotProps'
> {
  label: string;
  help?: string;
}

/** A field to type into, and nothing else: what lists to choose from need is not loaded for it. */
export function PlainField({ label, help, required = false, ...input }: Props) {
  const id = useId();
  return (
    <FormControl required={required} size="small" fullWidth>
      <InputLabel htmlFor={id}>{label}</InputLabel>
      <OutlinedInput
        id={id}
        label={label}
        {...(help !== undefined && { 'aria-describedby': `${id}-help` })}
        {...input}
      />
      {help !== undefined && <FormHelperText id={`${id}-help`}>{help}</FormHelperText>}
    </FormControl>
  );
}
