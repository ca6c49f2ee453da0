import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode, Ref } from 'react';

/** A document in a frame of this size, drawn in a scale. */
export const PreviewFrame = ({
  address,
  frame,
  title,
  label,
  size: { width, height },
  scale,
  edge,
}: {
  address: string;
  frame: Ref<HTMLIFrameElement> | undefined;
  title: string;
  /** What stands above it, where several are to be told apart. */
  label?: string | undefined;
  size: { width: number; height: number };
  scale: number;
  /** What stands at its right edge. */
  edge?: ReactNode;
}) => (
  <Box sx={{ flex: 'none', width: width * scale }}>
    {label && (
      <Typography variant="body2" color="textSecondary" sx={{ height: labelHeight }}>
        {label}
      </Typography>
    )}
    <Box sx={{ position: 'relative', height: height * scale }}>
      <Box
        sx={{
          height: 1,
          overflow: 'hidden',
          borderRadius: 1,
          bgcolor: '#fff',
          boxShadow: '0 0 0 1px var(--mui-palette-divider)',
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
      {edge}
    </Box>
  </Box>
);

/** How high a label is, in px. */
export const labelHeight = 24;
