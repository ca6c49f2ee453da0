import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Embed } from '@orbis/contract';
import { plural } from '@orbis/contract/language';
import { Card } from '../components/Card.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { formatWhen } from '../components/when.ts';

/** What is still known of an embed whose code and texts were taken out for good. */
export function Purged({ embed, purged }: { embed: Embed; purged: NonNullable<Embed['purged']> }) {
  return (
    <>
      <ScreenHead title={embed.name} lead={`Purged ${formatWhen(purged.at)}`} />
      <Card title="Why it was purged">
        <Typography sx={{ mb: 2, overflowWrap: 'anywhere' }}>{purged.reason}</Typography>
        <Typography color="textSecondary">
          {purged.by === '' ? '' : `By ${purged.by}. `}It was collected {formatWhen(embed.createdAt)} and had{' '}
          {plural(embed.revision, 'revision')}. Its code, its options and its notes are gone; where it stood
          is among <Link to="/done">what was done</Link>.
        </Typography>
      </Card>
    </>
  );
}
