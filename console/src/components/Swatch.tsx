import Box from '@mui/material/Box';

/** A colour, shown. */
export const Swatch = ({ colour }: { colour: string }) => (
  <Box
    component="span"
    aria-hidden
    sx={{
      flex: 'none',
      width: 20,
      height: 20,
      borderRadius: '50%',
      bgcolor: colour,
      outline: '1px solid',
      outlineColor: 'divider',
    }}
  />
);
