import Box from '@mui/material/Box';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useLayoutEffect, useRef, useState, type Ref } from 'react';
import type { Options } from '@orbis/core';
import { api } from '../api.ts';
import { ProblemNote } from '../components/ProblemNote.tsx';

const screens = {
  phone: { width: 390, height: 480 },
  tablet: { width: 768, height: 560 },
  desktop: { width: 1280, height: 800 },
};
type Screen = keyof typeof screens;

/**
 * The embed as it would look (while an option cannot be fulfilled: as it last looked), in a frame of its own
 * on another host: nothing of it runs where the owner is signed in.
 */
export function Preview({
  embed,
  placement,
  shown,
  frame,
}: {
  embed: string;
  placement?: string;
  /** What is shown: the same code is not loaded again. */
  shown: { options: Options; text: string } | null;
  frame: Ref<HTMLIFrameElement>;
}) {
  const [screen, setScreen] = useState<Screen>('phone');
  const box = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState(390);
  useLayoutEffect(() => {
    const watch = new ResizeObserver(([entry]) => setRoom(entry!.contentRect.width));
    if (box.current) watch.observe(box.current);
    return () => watch.disconnect();
  }, []);
  const preview = useQuery({
    queryKey: ['preview', placement ?? embed, shown?.text],
    enabled: shown !== null,
    queryFn: async () =>
      (
        await api.call('previews.create', {
          body: { ...(placement === undefined ? { embed } : { placement }), options: shown!.options },
        })
      ).data,
    placeholderData: (before) => before,
    staleTime: 600_000,
    retry: false,
  });
  const { width, height } = screens[screen];
  const scale = Math.min(1, room / width);
  return (
    <div>
      <Box
        sx={{
          display: 'flex',
          justifyContent: 'space-between',
          alignItems: 'center',
          mb: 1.5,
          flexWrap: 'wrap',
          gap: 1,
        }}
      >
        <ToggleButtonGroup
          size="small"
          exclusive
          value={screen}
          onChange={(_, value: Screen | null) => value && setScreen(value)}
          aria-label="Preview as on"
        >
          <ToggleButton value="phone">Phone</ToggleButton>
          <ToggleButton value="tablet">Tablet</ToggleButton>
          <ToggleButton value="desktop">Desktop</ToggleButton>
        </ToggleButtonGroup>
        <Typography variant="body2" color="textSecondary">
          {width} px wide{scale < 1 ? `, shown at ${Math.round(scale * 100)} %` : ''}
        </Typography>
      </Box>
      {preview.error ? <ProblemNote error={preview.error} /> : null}
      <Box ref={box}>
        <Box
          sx={{
            width: width * scale,
            height: height * scale,
            mx: 'auto',
            overflow: 'hidden',
            borderRadius: 1,
            bgcolor: '#fff',
            outline: '1px solid',
            outlineColor: 'divider',
          }}
        >
          {preview.data && (
            <iframe
              key={preview.data.url}
              ref={frame}
              title="Preview of the embed"
              src={preview.data.url}
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
          )}
        </Box>
      </Box>
    </div>
  );
}
