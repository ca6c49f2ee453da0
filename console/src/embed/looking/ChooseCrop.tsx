import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Reading } from '@orbis/core';
import { api } from '../../api.ts';
import { ProblemNote } from '../../components/ProblemNote.tsx';
import { Waiting } from '../../components/Waiting.tsx';
import type { FormWork } from '../composed-draft.ts';
import { DraggedPart, type Part } from './DraggedPart.tsx';
import type { Subject } from './subject.ts';

/** Chooses which part of a frame is shown, by drawing it on what the frame shows. */
export function ChooseCrop({
  of,
  size,
  work,
}: {
  of: Subject;
  /** What the code says of its size. */
  size: Reading['size'];
  work: Pick<FormWork, 'draft' | 'add' | 'set'>;
}) {
  const [isOpen, setOpen] = useState(false);
  const [part, setPart] = useState<Part | null>(null);
  const open = (): void => {
    setPart(partOf(work.draft));
    setOpen(true);
  };
  const use = ({ left, top, width, height }: Part): void => {
    // It has a size of its own.
    if (work.draft['fit'] !== undefined) work.set('fit', null);
    work.add({ 'crop-left': left, 'crop-top': top, 'crop-width': width, 'crop-height': height });
    setOpen(false);
  };
  return (
    <>
      <Button variant="outlined" onClick={open} sx={{ gridColumn: '1 / -1', justifySelf: 'start' }}>
        Draw the part
      </Button>
      <Dialog open={isOpen} onClose={() => setOpen(false)} maxWidth="lg" aria-labelledby="draw-the-part">
        <DialogTitle id="draw-the-part">Only a part of it</DialogTitle>
        <DialogContent>
          <Typography color="textSecondary" sx={{ mb: 2 }}>
            Draw a rectangle around what your visitors are to see.
          </Typography>
          <Whole of={of} size={size} part={part} onDraw={setPart} />
          <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }} aria-live="polite">
            {part
              ? `${part.width} wide and ${part.height} high, ${part.left} from the left and ${part.top} from the top, in px`
              : 'Nothing is drawn yet.'}
          </Typography>
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setOpen(false)}>Cancel</Button>
          <Button variant="contained" disabled={part === null} onClick={() => part && use(part)}>
            Show this part
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}

/* As it was pasted, where a frame has no size of its own as wide and high as browsers make it. */
const [usualWidth, usualHeight] = [640, 480];

function Whole({
  of,
  size,
  part,
  onDraw,
}: {
  of: Subject;
  size: Reading['size'];
  part: Part | null;
  onDraw: (part: Part) => void;
}) {
  const preview = useQuery({
    queryKey: ['preview', of, 'whole'],
    queryFn: async () =>
      (await api.call('previews.create', { body: { ...of, options: {}, asPasted: true } })).data,
    staleTime: 600_000,
    retry: false,
  });
  if (preview.error) return <ProblemNote error={preview.error} />;
  if (!preview.data) return <Waiting />;
  const pixels = (side: 'width' | 'height', usual: number): number =>
    size[side]?.unit === 'px' ? size[side].value : usual;
  return (
    <DraggedPart
      address={preview.data.url}
      size={{ width: pixels('width', usualWidth), height: pixels('height', usualHeight) }}
      part={part}
      onDraw={onDraw}
    />
  );
}

function partOf(draft: FormWork['draft']): Part | null {
  const [left, top, width, height] = ['left', 'top', 'width', 'height'].map((side) =>
    Number(draft[`crop-${side}`]?.trim() || 0),
  ) as [number, number, number, number];
  return width > 0 && height > 0 ? { left, top, width, height } : null;
}
