import Box from '@mui/material/Box';
import { useRef, type PointerEvent } from 'react';

/** A rectangle on what a frame shows, in whole px of its page. */
export interface Part {
  left: number;
  top: number;
  width: number;
  height: number;
}

/* As wide and high as a dialog has room, and as small as a part can be. */
const [widest, highest, smallest] = [860, 520, 20];

/** What a frame shows, with a rectangle on it that is drawn by dragging. */
export function DraggedPart({
  address,
  size,
  part,
  onDraw,
}: {
  address: string;
  size: { width: number; height: number };
  part: Part | null;
  onDraw: (part: Part) => void;
}) {
  const scale = Math.min(1, widest / size.width, highest / size.height);
  const from = useRef<{ x: number; y: number } | null>(null);
  const pointAt = ({ currentTarget, clientX, clientY }: PointerEvent<HTMLElement>) => {
    const box = currentTarget.getBoundingClientRect();
    return {
      x: clamped((clientX - box.left) / scale, size.width),
      y: clamped((clientY - box.top) / scale, size.height),
    };
  };
  const begin = (event: PointerEvent<HTMLElement>): void => {
    event.currentTarget.setPointerCapture(event.pointerId);
    from.current = pointAt(event);
  };
  const draw = (event: PointerEvent<HTMLElement>): void => {
    if (!from.current) return;
    const [a, b] = [from.current, pointAt(event)];
    const drawn = {
      left: Math.min(a.x, b.x),
      top: Math.min(a.y, b.y),
      width: Math.abs(a.x - b.x),
      height: Math.abs(a.y - b.y),
    };
    if (drawn.width >= smallest && drawn.height >= smallest) onDraw(drawn);
  };
  const end = (): void => void (from.current = null);
  return (
    <Box
      sx={{
        position: 'relative',
        width: size.width * scale,
        height: size.height * scale,
        overflow: 'hidden',
        borderRadius: 1,
        bgcolor: '#fff',
      }}
    >
      <iframe
        title="All that its frame shows"
        src={address}
        tabIndex={-1}
        style={{
          width: size.width,
          height: size.height,
          border: 0,
          transform: `scale(${scale})`,
          transformOrigin: '0 0',
        }}
      />
      <Box
        data-testid="draw-here"
        onPointerDown={begin}
        onPointerMove={draw}
        onPointerUp={end}
        onPointerCancel={end}
        sx={{ position: 'absolute', inset: 0, cursor: 'crosshair', touchAction: 'none' }}
      >
        {part && (
          <Box
            sx={{
              position: 'absolute',
              left: part.left * scale,
              top: part.top * scale,
              width: part.width * scale,
              height: part.height * scale,
              outline: '2px solid #fff',
              boxShadow: '0 0 0 4px #b8541a, 0 0 0 9999px rgba(0,0,0,.5)',
            }}
          />
        )}
      </Box>
    </Box>
  );
}

const clamped = (px: number, most: number): number => Math.round(Math.min(most, Math.max(0, px)));
