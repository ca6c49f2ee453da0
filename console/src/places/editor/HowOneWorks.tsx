import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import type { EditorRules } from '@orbis/core';
import { AskedFields } from './AskedFields.tsx';
import { mono } from '../../theme.ts';

interface Props {
  rules: EditorRules;
  onChange: (changed: Partial<EditorRules>) => void;
}

const shown = { unknown: null, yes: true, no: false } as const;

/** What whoever pastes has to know of an editor, and how much a page may have. */
export function HowOneWorks({ rules, onChange }: Props) {
  const shownNow = rules.showsUnpublished === null ? 'unknown' : rules.showsUnpublished ? 'yes' : 'no';
  return (
    <Stack spacing={2.5}>
      <Box sx={twoColumns}>
        <Line
          label="A line before each code"
          value={rules.firstLine}
          onChange={(firstLine) => onChange({ firstLine })}
        />
        <Line
          label="A line behind each code"
          value={rules.lastLine}
          onChange={(lastLine) => onChange({ lastLine })}
        />
        <TextField
          select
          label="Shows embeds before publishing"
          value={shownNow}
          onChange={(event) =>
            onChange({ showsUnpublished: shown[event.target.value as keyof typeof shown] })
          }
        >
          <MenuItem value="unknown">not known</MenuItem>
          <MenuItem value="yes">yes</MenuItem>
          <MenuItem value="no">no</MenuItem>
        </TextField>
        <Whole
          label="Minutes until it can be seen"
          value={rules.delay}
          onChange={(delay) => onChange({ delay: delay ?? 0 })}
        />
        <Whole
          label="Other hosts on a page, at most"
          value={rules.mostHosts}
          onChange={(mostHosts) => onChange({ mostHosts })}
        />
        <Whole
          label="Scripts on a page, at most"
          value={rules.mostScripts}
          onChange={(mostScripts) => onChange({ mostScripts })}
        />
        <Whole
          label="Kilobytes on a page, at most"
          digits={6}
          value={rules.mostKilobytes}
          onChange={(mostKilobytes) => onChange({ mostKilobytes })}
        />
      </Box>
      <Box>
        <FormControlLabel
          control={
            <Switch
              checked={rules.styleField}
              onChange={({ target }) => onChange({ styleField: target.checked })}
            />
          }
          label="Each page has a field of its own for style rules (CSS)"
        />
        <FormControlLabel
          control={
            <Switch
              checked={rules.scriptField}
              onChange={({ target }) => onChange({ scriptField: target.checked })}
            />
          }
          label="Each page has a field of its own for a script"
        />
      </Box>
      <AskedFields fields={rules.asksFor} onChange={(asksFor) => onChange({ asksFor })} />
      <TextField
        label="A code that each page needs once"
        value={rules.companion}
        onChange={(event) => onChange({ companion: event.target.value })}
        multiline
        maxRows={8}
        placeholder="none"
        helperText="Where this editor needs a code of its own before it makes embeds of what is pasted."
        slotProps={{
          inputLabel: { shrink: true },
          htmlInput: { maxLength: 4000, spellCheck: false, sx: { fontFamily: mono } },
        }}
      />
      <TextField
        label="Where to click"
        value={rules.notes}
        onChange={(event) => onChange({ notes: event.target.value })}
        multiline
        minRows={2}
        maxRows={8}
        placeholder="Click on the plus between two paragraphs, then on HTML."
        helperText="In your own words, for whoever pastes. It stands above the steps of each page."
        slotProps={{ inputLabel: { shrink: true }, htmlInput: { maxLength: 2000 } }}
      />
    </Stack>
  );
}

const twoColumns = { display: 'grid', gap: 2.5, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' } };

function Line({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (line: string) => void;
}) {
  return (
    <TextField
      label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      placeholder="none"
      slotProps={{
        inputLabel: { shrink: true },
        htmlInput: { maxLength: 200, spellCheck: false, sx: { fontFamily: mono } },
      }}
    />
  );
}

/* Empty means that there is no limit. */
function Whole({
  label,
  value,
  digits = 4,
  onChange,
}: {
  label: string;
  digits?: number;
  value: number | null;
  onChange: (value: number | null) => void;
}) {
  return (
    <TextField
      label={label}
      value={value ?? ''}
      onChange={(event) => {
        const typed = event.target.value.replace(/\D/g, '').slice(0, digits);
        onChange(typed === '' ? null : Number(typed));
      }}
      placeholder="any number"
      slotProps={{ inputLabel: { shrink: true }, htmlInput: { inputMode: 'numeric' } }}
    />
  );
}
