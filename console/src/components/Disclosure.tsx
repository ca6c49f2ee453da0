import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';

/** Keeps a form out of sight until it is wanted. */
export function Disclosure({ label, children }: { label: string; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  if (open) return <>{children}</>;
  return (
    <Button
      size="small"
      aria-expanded={false}
      onClick={() => setOpen(true)}
      sx={{ ml: -0.75, alignSelf: 'flex-start' }}
    >
      {label}
    </Button>
  );
}
