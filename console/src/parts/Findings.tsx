import Alert from '@mui/material/Alert';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';

interface Told {
  rule: string;
  level: 'error' | 'warning' | 'note';
  message: string;
  remedy: string;
  line?: number;
}

/** Findings in sentences: what is wrong, and what to do. */
export function Findings({ findings }: { findings: readonly Told[] }) {
  if (findings.length === 0) return null;
  return (
    <Stack spacing={1}>
      {findings.map((finding, i) => (
        <Alert key={i} severity={finding.level === 'note' ? 'info' : finding.level} variant="outlined">
          {finding.message}
          {finding.line !== undefined && finding.line > 1 && ` (line ${finding.line})`}
          <Typography variant="body2" color="textSecondary">
            {finding.remedy}
          </Typography>
        </Alert>
      ))}
    </Stack>
  );
}
