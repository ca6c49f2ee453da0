import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';

/** Keeps a form out of sight until it is wanted; `name` says more to those who do not see where it stands. */
export function Disclosure({ label, name, children }: { label: string; name?: string; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  return open ? (
    <>{children}</>
  ) : (
    <Unfold label={label} {...(name !== undefined && { name })} onOpen={() => setOpen(true)} />
  );
}

/** A line that says what is out of sight, and brings it. */
export const Unfold = ({ label, name, onOpen }: { label: string; name?: string; onOpen: () => void }) => (
  <Button
    size="small"
    aria-expanded={false}
    aria-label={name}
    onClick={onOpen}
    sx={{ ml: -0.75, alignSelf: 'flex-start' }}
  >
    {label}
  </Button>
);
