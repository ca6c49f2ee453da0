import Typography from '@mui/material/Typography';
import type { EmbedSummary } from '@orbis/contract';
import { levels } from './Filter.tsx';

/** The worst of what was found in the code of an embed; nothing where nothing was. */
export function WorstFinding({ level }: { level: EmbedSummary['level'] }) {
  if (level === null) return null;
  const colour = level === 'error' ? 'error' : level === 'warning' ? 'warning' : 'textSecondary';
  return (
    <Typography component="span" variant="body2" color={colour} sx={{ display: 'block' }}>
      {levels.find(([known]) => known === level)![1]}
    </Typography>
  );
}
