import Box from '@mui/material/Box';
import type { EmbedSummary } from '@orbis/contract';

/** What an embed shows, in a small picture; where none was taken, what it is. */
export const EmbedPicture = ({
  embed: { picture, kind },
  width,
}: {
  embed: Pick<EmbedSummary, 'picture' | 'kind'>;
  width: number | string;
}) => (
  <Box
    // What it is stands beside it in words.
    aria-hidden
    sx={{
      flex: 'none',
      width,
      aspectRatio: '16 / 10',
      borderRadius: 1,
      overflow: 'hidden',
      display: 'grid',
      placeItems: 'center',
      bgcolor: picture ? '#fff' : 'action.hover',
      outline: '1px solid',
      outlineColor: 'divider',
      outlineOffset: -1,
      fontSize: typeof width === 'number' ? 11 : 14,
      color: 'text.secondary',
    }}
  >
    {picture ? (
      <Box
        component="img"
        src={picture}
        alt=""
        loading="lazy"
        sx={{ width: '100%', height: '100%', objectFit: 'contain', display: 'block' }}
      />
    ) : (
      kind
    )}
  </Box>
);
