import Button, { type ButtonProps } from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState, type ReactNode } from 'react';

/** A button for what cannot be undone: it says what will be, and asks once. */
export function Confirm({
  label,
  title,
  children,
  onConfirm,
  ...rest
}: { label: string; title: string; children: ReactNode; onConfirm: () => void } & Omit<
  ButtonProps,
  'onClick' | 'title'
>) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button size="small" sx={{ minWidth: 0 }} {...rest} onClick={() => setOpen(true)}>
        {label}
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} aria-labelledby="confirm-title">
        <DialogTitle id="confirm-title">{title}</DialogTitle>
        <DialogContent>{children}</DialogContent>
        <DialogActions>
          <Button onClick={() => setOpen(false)}>Leave it</Button>
          <Button
            color="error"
            onClick={() => {
              setOpen(false);
              onConfirm();
            }}
          >
            {label}
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
