import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { Link } from 'react-router';
import type { Today } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { formatWhen } from '../components/when.ts';

type Props = Pick<Today, 'copies' | 'copiedAt' | 'copyReadBack'>;

/** How old the last safety copy is; loud where it is too old, or failed. */
export function CopiesToSee({ copies, copiedAt, copyReadBack }: Props) {
  const isWell = copies === 'good' || copies === 'none';
  return (
    <Alert
      severity={isWell ? 'success' : 'warning'}
      variant={isWell ? 'outlined' : 'standard'}
      action={
        <Button component={Link} to="/copies" color="inherit" size="small">
          {isWell ? 'See them' : 'See why'}
        </Button>
      }
    >
      {copies === 'good'
        ? `The last safety copy is of ${formatWhen(copiedAt)}${copyReadBack ? ', and was read back' : ''}.`
        : `Safety copies: ${spoken.copies.standings[copies].replace(/^The/, 'the')}`}
    </Alert>
  );
}
