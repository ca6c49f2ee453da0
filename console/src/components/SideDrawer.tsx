import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import CloseIcon from '@mui/icons-material/Close';
import Drawer from '@mui/material/Drawer';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import { useId, useState, type ReactNode } from 'react';

/** A part of a screen that is drawn in from the side when it is wanted. */
export function SideDrawer({
  label,
  action,
  children,
}: {
  label: string;
  action?: ReactNode;
  children: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  const heading = useId();
  const close = (): void => setOpen(false);
  return (
    <>
      <Button size="small" variant="outlined" aria-haspopup="dialog" onClick={() => setOpen(true)}>
        {label}
      </Button>
      <Drawer
        anchor="right"
        open={open}
        onClose={close}
        slotProps={{
          paper: {
            'role': 'dialog',
            'aria-labelledby': heading,
            'sx': { width: 'min(600px, 100vw)', p: { xs: 2, sm: 3.5 } },
          },
        }}
      >
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, mb: 2.5 }}>
          <Typography variant="h2" id={heading} sx={{ flex: 1 }}>
            {label}
          </Typography>
          {action}
          <IconButton aria-label="Close" onClick={close}>
            <CloseIcon />
          </IconButton>
        </Box>
        {children}
      </Drawer>
    </>
  );
}
