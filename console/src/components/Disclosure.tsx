import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';

/** Keeps a form out of sight until it is wanted. */
export function Disclosure({ label, children }: { label: string; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  return open ? <>{children}</> : <Unfold label={label} onOpen={() => setOpen(true)} />;
}

/** A line that says what is out of sight, and brings it. */
export const Unfold = ({ label, onOpen }: { label: string; onOpen: () => void }) => (
  <Button size="small" aria-expanded={false} onClick={onOpen} sx={{ ml: -0.75, alignSelf: 'flex-start' }}>
    {label}
  </Button>
);
