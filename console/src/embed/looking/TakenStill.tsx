import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo } from 'react';
import type { Still, StillType } from '@orbis/contract';
import { formatBytes } from '@orbis/contract/language';

const types: Record<StillType, { ending: string; label: string }> = {
  'image/avif': { ending: 'avif', label: 'AVIF' },
  'image/webp': { ending: 'webp', label: 'WebP' },
  'image/jpeg': { ending: 'jpg', label: 'JPEG' },
};

/** A picture that was taken, and the two ways in which it can be used. */
export function TakenStill({ still, onInside }: { still: Still; onInside: () => void }) {
  const files = useFiles(still);
  const jpeg = still.files.find(({ type }) => type === 'image/jpeg')!;
  return (
    <Stack spacing={1.5} aria-live="polite">
      <Box
        component="img"
        alt="The picture that was taken"
        src={`data:${jpeg.type};base64,${jpeg.data}`}
        sx={{ maxWidth: '100%', borderRadius: 1, display: 'block' }}
      />
      {still.notes.map((note) => (
        <Typography key={note} variant="body2">
          {note}
        </Typography>
      ))}
      <Box>
        <Button variant="outlined" onClick={onInside}>
          Keep it in the code, small and blurred
        </Button>
      </Box>
      <Typography variant="body2">
        Or put it on your site, {still.width} × {still.height} pixels:{' '}
        {files.map(({ type, address, bytes }, i) => (
          <span key={type}>
            {i > 0 && ' · '}
            <Link href={address} download={`still.${types[type].ending}`}>
              {types[type].label}, {formatBytes(bytes)}
            </Link>
          </span>
        ))}
        . Then give its address in “Still picture”.
      </Typography>
    </Stack>
  );
}

/* The files as addresses of this browser, which are let go again. */
function useFiles({ files }: Still): { type: StillType; bytes: number; address: string }[] {
  const made = useMemo(
    () =>
      files.map(({ type, bytes, data }) => ({
        type,
        bytes,
        address: URL.createObjectURL(
          new Blob([Uint8Array.from(atob(data), (letter) => letter.charCodeAt(0))], { type }),
        ),
      })),
    [files],
  );
  useEffect(() => () => made.forEach(({ address }) => URL.revokeObjectURL(address)), [made]);
  return made;
}
