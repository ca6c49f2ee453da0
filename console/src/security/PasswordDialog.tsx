import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { ProblemNote } from '../components/ProblemNote.tsx';

interface Props {
  title: string;
  children?: ReactNode;
  /** What is done, as the words of its button. */
  button: string;
  /** Whether something goes that cannot be brought back. */
  ends?: boolean;
  /** Something else that is asked for, with what was typed already. */
  field?: { label: string; initial: string };
  act: (given: { password: string; field: string }) => Promise<void>;
  onClose: () => void;
}

/** Asks for the password again before something is done, so that an open window is not enough. */
export function PasswordDialog({ title, children, button, ends = false, field, act, onClose }: Props) {
  const [password, setPassword] = useState('');
  const [typed, setTyped] = useState(field?.initial ?? '');
  const work = useMutation({ mutationFn: async () => act({ password, field: typed.trim() }) });
  return (
    <Dialog open onClose={onClose} aria-labelledby="password-title" maxWidth="xs" fullWidth>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          work.mutate();
        }}
      >
        <DialogTitle id="password-title">{title}</DialogTitle>
        <DialogContent>
          <Stack spacing={2}>
            {children !== undefined && <Typography component="div">{children}</Typography>}
            {field && (
              <TextField
                label={field.label}
                value={typed}
                onChange={(event) => setTyped(event.target.value)}
                slotProps={{ htmlInput: { maxLength: 80 } }}
                required
              />
            )}
            <TextField
              label="Your password"
              type="password"
              autoComplete="current-password"
              value={password}
              onChange={(event) => setPassword(event.target.value)}
              autoFocus
              required
            />
            <ProblemNote error={work.error} />
          </Stack>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Leave it</Button>
          <Button type="submit" color={ends ? 'error' : 'primary'} loading={work.isPending}>
            {button}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
