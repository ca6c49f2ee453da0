import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { useLayoutEffect, useRef, useState, type Ref } from 'react';
import type { Options } from '@orbis/core';
import { api } from '../api.ts';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { PreviewFrame } from './PreviewFrame.tsx';
import { screenHere, screens, WidthChooser, type Shown } from './WidthChooser.tsx';

/* The height of the room for a preview, in px, where it is not what is left of the window. */
const leastHeight = 320;
const gap = 16;

/**
 * The embed as it would look (while an option cannot be fulfilled: as it last looked), in a frame of its own
 * on another host: nothing of it runs where the owner is signed in. At one width, or on a phone and on a
 * desktop side by side.
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
  const [at, setAt] = useState<Shown>(screenHere);
  const box = useRef<HTMLDivElement>(null);
  const room = useRoom(box);
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
  const widths = at.screen === 'both' ? [screens.phone.width, screens.desktop.width] : [at.width];
  // All of them in one scale, so that they can be compared.
  const scale = Math.min(
    1,
    (room.width - gap * (widths.length - 1)) / widths.reduce((sum, width) => sum + width, 0),
  );
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: 0, flex: 1 }}>
      <WidthChooser shown={at} scale={scale} onChange={setAt} />
      {preview.error ? <ProblemNote error={preview.error} /> : null}
      <Box
        ref={box}
        sx={{ flex: 1, minHeight: { xs: leastHeight, lg: 120 }, position: 'relative', overflow: 'hidden' }}
      >
        <Box
          sx={{ position: 'absolute', inset: 0, display: 'flex', justifyContent: 'center', gap: `${gap}px` }}
        >
          {preview.data &&
            widths.map((width, i) => (
              <PreviewFrame
                key={width}
                address={preview.data.url}
                frame={i === 0 ? frame : undefined}
                title={i === 0 ? 'Preview of the embed' : `Preview of the embed, ${width} px wide`}
                size={{ width, height: Math.round(room.height / scale) }}
                scale={scale}
              />
            ))}
        </Box>
      </Box>
    </Box>
  );
}

/* The room that an element has, in px. */
function useRoom(box: { current: HTMLElement | null }): { width: number; height: number } {
  const [room, setRoom] = useState({ width: 390, height: leastHeight });
  useLayoutEffect(() => {
    const watch = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      setRoom({ width, height });
    });
    if (box.current) watch.observe(box.current);
    return () => watch.disconnect();
  }, [box]);
  return room;
}
