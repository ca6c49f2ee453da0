import Box from '@mui/material/Box';
import type { Ref } from 'react';

/** A document in a frame of this size, drawn in a scale. */
export const PreviewFrame = ({
  address,
  frame,
  title,
  size: { width, height },
  scale,
}: {
  address: string;
  frame: Ref<HTMLIFrameElement> | undefined;
  title: string;
  size: { width: number; height: number };
  scale: number;
}) => (
  <Box
    sx={{
      flex: 'none',
      width: width * scale,
      height: height * scale,
      overflow: 'hidden',
      borderRadius: 1,
      bgcolor: '#fff',
      outline: '1px solid',
      outlineColor: 'divider',
      outlineOffset: -1,
    }}
  >
    <iframe
      key={address}
      ref={frame}
      title={title}
      src={address}
      allow="fullscreen; autoplay"
      style={{
        width,
        height,
        border: 0,
        transform: `scale(${scale})`,
        transformOrigin: '0 0',
        display: 'block',
      }}
    />
  </Box>
);
