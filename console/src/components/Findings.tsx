import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';

interface Told {
  rule: string;
  level: 'error' | 'warning' | 'note';
  message: string;
  remedy: string;
  line?: number;
  /** What exactly is otherwise, piece by piece. */
  details?: readonly string[];
  /** The edits that would mend it. */
  mend?: readonly { reason: string }[];
}

/** Findings in sentences: what is wrong, and what to do; with a button where Orbis can do it. */
export function Findings({
  findings,
  onMend,
}: {
  findings: readonly Told[];
  onMend?: (rule: string) => void;
}) {
  if (findings.length === 0) return null;
  return (
    <Stack spacing={1}>
      {findings.map((finding, i) => (
        <Alert
          key={i}
          severity={finding.level === 'note' ? 'info' : finding.level}
          variant="outlined"
          action={
            onMend && finding.mend && finding.mend.length > 0 ? (
              <Button color="inherit" size="small" onClick={() => onMend(finding.rule)}>
                Mend it
              </Button>
            ) : undefined
          }
        >
          {finding.message}
          {finding.line !== undefined && finding.line > 1 && ` (line ${finding.line})`}
          {finding.details && finding.details.length > 0 && (
            <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
              {finding.details.map((each) => (
                <li key={each}>{each}</li>
              ))}
            </Box>
          )}
          <Typography variant="body2" color="textSecondary">
            {finding.remedy}
          </Typography>
        </Alert>
      ))}
    </Stack>
  );
}
