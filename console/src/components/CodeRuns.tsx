import Box from '@mui/material/Box';
import Tooltip from '@mui/material/Tooltip';
import type { TextRun } from '@orbis/core';
import { mono } from '../theme.ts';

const frame = {
  'm': 0,
  'p': 2,
  'fontFamily': mono,
  'fontSize': 14,
  'lineHeight': 1.65,
  'whiteSpace': 'pre-wrap',
  'overflowWrap': 'anywhere',
  'bgcolor': 'background.default',
  'borderRadius': 1,
  'maxHeight': 360,
  'overflow': 'auto',
  // On paper nobody can scroll.
  '@media print': { maxHeight: 'none', overflow: 'visible' },
} as const;

/** A piece of a code: as it was pasted, or with why it is otherwise. */
export type CodeRun = { from: 'source'; text: string } | { from: 'orbis'; text: string; reason: string };

/** A code as text, never as markup. What Orbis put in is marked, with its reason on demand. */
export function CodeRuns({ runs, label }: { runs: readonly CodeRun[]; label: string }) {
  return (
    <Box component="pre" sx={frame} tabIndex={0} aria-label={label}>
      {runs.map((run, i) =>
        run.from === 'source' ? (
          <span key={i}>{run.text}</span>
        ) : (
          <Tooltip key={i} title={run.reason}>
            <Box
              component="mark"
              sx={{
                color: 'inherit',
                bgcolor: 'color-mix(in srgb, var(--mui-palette-secondary-main) 26%, transparent)',
                borderRadius: 0.5,
              }}
            >
              {run.text}
            </Box>
          </Tooltip>
        ),
      )}
    </Box>
  );
}

/** Two codes in one: what is gone is struck out, what is new is marked. */
export function CompareRuns({ runs, label }: { runs: readonly TextRun[]; label: string }) {
  return (
    <Box component="pre" sx={frame} tabIndex={0} aria-label={label}>
      {runs.map(({ kind, text }, i) =>
        kind === 'same' ? (
          <span key={i}>{text}</span>
        ) : kind === 'gone' ? (
          <Box
            key={i}
            component="del"
            sx={{
              bgcolor: 'color-mix(in srgb, var(--mui-palette-error-main) 16%, transparent)',
              borderRadius: 0.5,
            }}
          >
            {text}
          </Box>
        ) : (
          <Box
            key={i}
            component="ins"
            sx={{
              textDecoration: 'none',
              bgcolor: 'color-mix(in srgb, var(--mui-palette-success-main) 24%, transparent)',
              borderRadius: 0.5,
            }}
          >
            {text}
          </Box>
        ),
      )}
    </Box>
  );
}

/** A code as it is, without marks. */
export function PlainCode({ text, label }: { text: string; label: string }) {
  return (
    <Box component="pre" sx={frame} tabIndex={0} aria-label={label}>
      {text}
    </Box>
  );
}
