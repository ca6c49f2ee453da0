import Checkbox from '@mui/material/Checkbox';
import FormControl from '@mui/material/FormControl';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormHelperText from '@mui/material/FormHelperText';
import FormLabel from '@mui/material/FormLabel';
import Typography from '@mui/material/Typography';
import { spoken } from '@orbis/contract/language';
import type { CodePart } from '../compose.ts';
import type { FieldProps } from './field.ts';
import { LineField } from './LineField.tsx';

/** Parts of the code, to be ticked; those that it needs say why. */
export function PartsField({ parts, ...field }: FieldProps & { parts: readonly CodePart[] | undefined }) {
  const { label, value, wrong, name, onChange } = field;
  // What is left out and is no part of this code can still be taken back.
  const left = value
    .split(',')
    .map((word) => word.trim())
    .filter(Boolean);
  if (parts === undefined) return <></>;
  if (parts.length === 0 || left.some((one) => !parts.some((part) => part.name === one)))
    return <LineField {...field} />;
  const toggle = (part: string, on: boolean): void =>
    onChange((on ? [...left, part] : left.filter((one) => one !== part)).join(', '));
  return (
    <FormControl
      component="fieldset"
      error={wrong !== undefined}
      data-option={name}
      sx={{ gridColumn: '1 / -1' }}
    >
      <FormLabel component="legend">{label}</FormLabel>
      {parts.map((part) => (
        <FormControlLabel
          key={part.name}
          disabled={part.needed !== null}
          control={
            <Checkbox
              size="small"
              checked={left.includes(part.name)}
              onChange={(_, on) => toggle(part.name, on)}
            />
          }
          label={<PartLabel part={part} />}
        />
      ))}
      {wrong && <FormHelperText>{wrong}</FormHelperText>}
    </FormControl>
  );
}

function PartLabel({ part: { name, words, needed } }: { part: CodePart }) {
  const [kind = '', which] = name.split('.');
  const called = `${spoken.parts[kind] ?? kind}${kind === 'field' && words === '' ? ` “${which}”` : ''}`;
  return (
    <>
      {called}{' '}
      <Typography component="span" variant="body2" color="textSecondary">
        {words && `“${words}” `}
        {needed && spoken.neededParts[needed]}
      </Typography>
    </>
  );
}
