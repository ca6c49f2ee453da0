import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useLayoutEffect, useRef, useState, type RefObject } from 'react';
import { ProblemNote } from '../../components/ProblemNote.tsx';
import { useFrameMessages } from '../frame-messages.ts';
import type { Subject } from '../looking/subject.ts';
import { EdgeHandle } from './EdgeHandle.tsx';
import { labelHeight, PreviewFrame } from './PreviewFrame.tsx';
import { Troubles } from './Troubles.tsx';
import { usePreview, type ShownDraft } from './use-preview.ts';
import { useTroubles } from './use-troubles.ts';
import { plainView, type View } from './view.ts';
import { ViewChooser } from './ViewChooser.tsx';
import { clamped, screenHere, screenWidths, WidthChooser, type Shown, type Widths } from './WidthChooser.tsx';

/* The height of the room for a preview, in px, where it is not what is left of the window. */
const leastHeight = 320;
const gap = 16;

/**
 * The embed as it would look (while an option cannot be fulfilled: as it last looked), in a frame of its own
 * on another host: nothing of it runs where the owner is signed in. At one width or two, beside what was
 * pasted, or in a published page, where it is put by clicking.
 */
export function Preview({
  of,
  page: itsPage = null,
  shown,
  frame,
}: {
  of: Subject;
  /** The page on which it stands, where it is about one place. */
  page?: string | null;
  shown: ShownDraft | null;
  frame: RefObject<HTMLIFrameElement | null>;
}) {
  const [at, setAt] = useState<Shown>(screenHere);
  const [view, setView] = useState<View>({ ...plainView, page: itsPage });
  const box = useRef<HTMLDivElement>(null);
  const room = useRoom(box);
  const now = usePreview(of, shown, view, view.shown === 'pasted');
  const before = usePreview(of, view.shown === 'both' ? shown : null, view, true);
  const page = view.shown === 'page' ? (now.data?.page ?? null) : null;
  const troubles = useTroubles(frame, now.data?.url ?? null, of, shown);
  useFrameMessages(frame, ({ orbis, at, side }) => {
    if (orbis === 'place' && isPlace(at, page?.places.length) && (side === 'before' || side === 'after'))
      setView((view) => ({ ...view, beside: { side, at } }));
  });
  const widths = view.spot?.widths ?? screenWidths;
  const columns = columnsOf(at, widths, view.shown === 'both' ? [before.data, now.data] : [now.data]);
  // All of them in one scale, so that they can be compared.
  const sum = columns.reduce((all, { width }) => all + width, 0);
  const scale = Math.min(
    1,
    (room.width - gap * Math.max(columns.length - 1, hasEdge(room) ? 2 : 0) - 2) / sum,
  );
  const main = columns.findIndex(({ document }) => document === now.data);
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: 0, flex: 1, minWidth: 0 }}>
      <WidthChooser shown={at} widths={widths} scale={scale} onChange={setAt}>
        <ViewChooser
          view={view}
          page={page}
          onChange={(next) => {
            if (next.spot !== view.spot && at.screen !== null && at.screen !== 'both')
              setAt({ ...at, width: (next.spot?.widths ?? screenWidths)[at.screen] });
            setView(next);
          }}
        />
      </WidthChooser>
      <ProblemNote error={now.error ?? before.error} />
      <Troubles troubles={troubles} />
      {view.shown === 'page' && view.page === null && (
        <Typography color="textSecondary" sx={{ mb: 1.5 }}>
          Choose one of your pages under “In your page” to see it there.
        </Typography>
      )}
      <Box
        ref={box}
        sx={{ flex: 1, minHeight: { xs: leastHeight, lg: 120 }, position: 'relative', overflow: 'hidden' }}
      >
        <Box
          sx={{
            position: 'absolute',
            inset: '1px 0',
            display: 'flex',
            justifyContent: 'center',
            gap: `${gap}px`,
          }}
        >
          {columns.map(
            ({ width, document, label }, i) =>
              document && (
                <PreviewFrame
                  // The same frame is made wider: what it shows is not loaded again.
                  key={i}
                  address={document.url}
                  frame={i === main ? frame : undefined}
                  title={titleOf(i === main, width, label)}
                  label={label}
                  size={{
                    width,
                    height: Math.round((room.height - 2 - (label === undefined ? 0 : labelHeight)) / scale),
                  }}
                  scale={scale}
                  edge={
                    columns.length === 1 && (
                      <EdgeHandle
                        width={width}
                        scale={scale}
                        onChange={(wide) => setAt({ screen: null, width: clamped(wide) })}
                      />
                    )
                  }
                />
              ),
          )}
        </Box>
      </Box>
    </Box>
  );
}

/* What is shown beside each other: each document in each width. */
function columnsOf<Document>(at: Shown, widths: Widths, documents: readonly Document[]) {
  const labels = documents.length > 1 ? ['Before', 'After'] : [];
  return (at.screen === 'both' ? [widths.phone, widths.desktop] : [at.width]).flatMap((width) =>
    documents.map((document, i) => ({ width, document, label: labels[i] })),
  );
}

/* On a phone there is no edge to drag. */
const hasEdge = ({ width }: { width: number }): boolean => width > 420;

const isPlace = (at: unknown, places = 0): at is number =>
  typeof at === 'number' && Number.isInteger(at) && at >= 0 && at < places;

const titleOf = (isMain: boolean, width: number, label: string | undefined): string =>
  isMain
    ? 'Preview of the embed'
    : label === 'Before'
      ? `Preview of the code as it was pasted, ${width} px wide`
      : `Preview of the embed, ${width} px wide`;

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
