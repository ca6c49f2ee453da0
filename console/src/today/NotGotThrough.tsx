import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { Link } from 'react-router';
import { plural } from '@orbis/contract/language';

/** That news was given up, with the way to send it again. */
export function NotGotThrough({ count }: { count: number }) {
  return (
    <Alert
      severity="warning"
      action={
        <Button component={Link} to="/news" color="inherit" size="small">
          See why
        </Button>
      }
    >
      {plural(count, 'message')} with news did not get through for a day, and {count === 1 ? 'was' : 'were'}{' '}
      given up.
    </Alert>
  );
}
