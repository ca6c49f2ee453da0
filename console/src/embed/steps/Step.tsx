import Accordion from '@mui/material/Accordion';
import AccordionDetails from '@mui/material/AccordionDetails';
import AccordionSummary from '@mui/material/AccordionSummary';
import Box from '@mui/material/Box';
import ExpandIcon from '@mui/icons-material/ExpandMore';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

/** One step of the work on an embed: open, or closed to one line that names what is set in it. */
export function Step({
  title,
  says,
  wants,
  isOpen,
  onOpen,
  children,
}: {
  title: string;
  /** What is set in it, in a few words. */
  says: string;
  /** Whether something in it wants a look. */
  wants: boolean;
  isOpen: boolean;
  onOpen: () => void;
  children: ReactNode;
}) {
  return (
    <Accordion
      disableGutters
      square
      expanded={isOpen}
      onChange={onOpen}
      // What is closed is not there for those who go by key or by ear.
      slotProps={{ transition: { unmountOnExit: true, timeout: 0 }, heading: { component: 'h2' } }}
      sx={{ 'bgcolor': 'transparent', 'border': 0, '&::before': { display: 'none' } }}
    >
      <AccordionSummary
        expandIcon={<ExpandIcon />}
        sx={{ 'px': 0, 'minHeight': 52, '& .MuiAccordionSummary-content': { minWidth: 0, my: 1 } }}
      >
        <Box sx={{ minWidth: 0 }}>
          <Typography component="span" variant="h3" sx={{ display: 'block' }}>
            {title}
          </Typography>
          {!isOpen && (
            <Typography
              component="span"
              variant="body2"
              noWrap
              sx={{ display: 'block', color: wants ? 'warning.main' : 'text.secondary' }}
            >
              {wants ? 'Something here wants a look' : says}
            </Typography>
          )}
        </Box>
      </AccordionSummary>
      <AccordionDetails sx={{ px: 0, pt: 0.5, pb: 2.5 }}>{children}</AccordionDetails>
    </Accordion>
  );
}
