import Typography from '@mui/material/Typography';
import type { Look } from '@orbis/contract';
import { Card } from '../components/Card.tsx';

/** What a page complains of where nobody but developers looks. */
export function Complaints({ complaints }: { complaints: Look['complaints'] }) {
  if (complaints.length === 0) return null;
  return (
    <Card title="What the page complains of">
      {complaints.map(({ message, times }) => (
        <Typography key={message} sx={{ mb: 0.75, overflowWrap: 'anywhere' }}>
          {message}
          {times > 1 && ` (${times} times)`}
        </Typography>
      ))}
    </Card>
  );
}
