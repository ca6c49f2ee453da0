import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useEffect, useId } from 'react';
import { useBlocker } from 'react-router';

/** Asks before a screen with work on it that is not saved is left. */
export function LeavingAsks({ when }: { when: boolean }) {
  const heading = useId();
  const leaving = useBlocker(
    ({ currentLocation, nextLocation }) => when && currentLocation.pathname !== nextLocation.pathname,
  );
  useEffect(() => {
    if (!when) return undefined;
    const ask = (event: BeforeUnloadEvent): void => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [when]);
  if (leaving.state !== 'blocked') return null;
  return (
    <Dialog open onClose={() => leaving.reset()} aria-labelledby={heading}>
      <DialogTitle id={heading}>Leave without saving?</DialogTitle>
      <DialogContent>What you changed here is not saved, and would be gone.</DialogContent>
      <DialogActions>
        <Button color="error" onClick={() => leaving.proceed()}>
          Leave
        </Button>
        <Button variant="contained" autoFocus onClick={() => leaving.reset()}>
          Stay here
        </Button>
      </DialogActions>
    </Dialog>
  );
}
