import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { CopyButton } from '../../components/CopyButton.tsx';

/** What stands in the file that the owner puts on their own server. */
export const TheFile = ({ document }: { document: string }) => (
  <Stack spacing={1}>
    <Typography variant="body2" color="textSecondary">
      Put this file on your server at the address above, and again whenever you save a change. Where the embed
      is placed, the register hands it out with the style of that site.
    </Typography>
    <Box>
      <CopyButton text={document} label="Copy the file" />
    </Box>
  </Stack>
);
