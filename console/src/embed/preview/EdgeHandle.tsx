import Box from '@mui/material/Box';
import { useRef, type PointerEvent } from 'react';

/**
 * The right edge of a preview, by which it is made wider or narrower. For keys there is the slider above it,
 * which does the same.
 */
export function EdgeHandle({
  width,
  scale,
  onChange,
}: {
  width: number;
  scale: number;
  onChange: (width: number) => void;
}) {
  const began = useRef<{ x: number; width: number; scale: number } | null>(null);
  const begin = (event: PointerEvent<HTMLElement>): void => {
    // Over the frame, too, the pointer stays ours.
    event.currentTarget.setPointerCapture(event.pointerId);
    began.current = { x: event.clientX, width, scale };
  };
  const move = ({ clientX }: PointerEvent): void => {
    const from = began.current;
    // It stands in the middle: both of its edges move.
    if (from) onChange(Math.round(from.width + (2 * (clientX - from.x)) / from.scale));
  };
  const end = (): void => void (began.current = null);
  return (
    <Box
      aria-hidden
      data-testid="edge"
      title="Drag to change the width"
      onPointerDown={begin}
      onPointerMove={move}
      onPointerUp={end}
      onPointerCancel={end}
      sx={{
        'position': 'absolute',
        'top': 0,
        'bottom': 0,
        'right': -14,
        'width': 14,
        'cursor': 'ew-resize',
        'touchAction': 'none',
        'display': { xs: 'none', sm: 'grid' },
        'placeItems': 'center',
        '&::after': { content: '""', width: 4, height: 40, borderRadius: 2, bgcolor: 'text.disabled' },
        '&:hover::after': { bgcolor: 'primary.main' },
      }}
    />
  );
}
