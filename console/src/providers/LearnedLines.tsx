import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { SheetProposal } from '@orbis/contract';
import { capital, formatLearnedLine, formatPart, optionWords } from '@orbis/contract/language';

type Line = SheetProposal['lines'][number];

interface Props {
  lines: readonly Line[];
  busy: boolean;
  onAnswer: (about: string, value: string) => void;
}

/** Everything that was learned, a line each, with its reason: to be left as it is, or answered otherwise. */
export function LearnedLines({ lines, busy, onAnswer }: Props) {
  return (
    <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
      {lines.map((line) => (
        <Box
          component="li"
          key={line.about}
          data-line={line.about}
          data-open={line.sure ? undefined : ''}
          sx={{
            'display': 'grid',
            'gridTemplateColumns': { xs: '1fr', md: 'minmax(0,1fr) 280px' },
            'gap': { xs: 1, md: 3 },
            'alignItems': 'center',
            'py': 1.75,
            'pl': 1.5,
            'borderTop': 1,
            'borderTopColor': 'divider',
            'borderLeft': 3,
            'borderLeftColor': line.sure ? 'transparent' : 'secondary.main',
            '&:first-of-type': { borderTop: 0 },
          }}
        >
          <Box sx={{ minWidth: 0 }}>
            <Typography sx={{ fontWeight: 600, overflowWrap: 'anywhere' }}>
              {capital(formatLearnedLine(line))}
            </Typography>
            <Typography variant="body2" color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
              {capital(line.reason)}.{line.seen.length > 0 && ` In the samples: ${line.seen.join(', ')}.`}
            </Typography>
          </Box>
          <Answer line={line} busy={busy} onAnswer={onAnswer} />
        </Box>
      ))}
    </Box>
  );
}

function Answer({ line, busy, onAnswer }: Omit<Props, 'lines'> & { line: Line }) {
  const { about, what, means, may, looks } = line;
  const label = formatLearnedLine(line);
  if (looks.length > 0)
    return (
      <Box sx={{ display: 'grid', gap: 1 }}>
        {looks.map((look) => (
          <TextField
            key={look}
            select
            size="small"
            label={`“${look}” is`}
            defaultValue=""
            disabled={busy}
            onChange={(event) => onAnswer(`${about}.${look}`, event.target.value)}
          >
            <MenuItem value="light">light</MenuItem>
            <MenuItem value="dark">dark</MenuItem>
          </TextField>
        ))}
      </Box>
    );
  if (what === 'name')
    return (
      <TextField
        size="small"
        key={means}
        defaultValue={means ?? ''}
        disabled={busy}
        slotProps={{ htmlInput: { 'aria-label': label } }}
        onBlur={(event) =>
          event.target.value.trim() !== '' &&
          event.target.value !== means &&
          onAnswer(about, event.target.value)
        }
        onKeyDown={(event) => event.key === 'Enter' && (event.target as HTMLInputElement).blur()}
      />
    );
  if (may.length === 0)
    return (
      <Typography variant="body2" sx={{ overflowWrap: 'anywhere' }}>
        {means}
      </Typography>
    );
  return (
    <TextField
      select
      size="small"
      value={means ?? ''}
      disabled={busy}
      onChange={(event) => onAnswer(about, event.target.value)}
      slotProps={{ select: { displayEmpty: true, SelectDisplayProps: { 'aria-label': label } } }}
    >
      {means === null && (
        <MenuItem value="" disabled>
          Please say what it is
        </MenuItem>
      )}
      {[...new Set([...(means === null ? [] : [means]), ...may])].map((word) => (
        <MenuItem key={word} value={word}>
          {word === '-'
            ? 'No setting'
            : what === 'parameter'
              ? optionWords(word).label
              : what === 'item'
                ? formatPart(word)
                : word}
        </MenuItem>
      ))}
    </TextField>
  );
}
