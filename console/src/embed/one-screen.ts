/*
 * On a desktop a workbench fills the window, less the margins above and below it, and does not scroll: its
 * parts do, each by itself. On a low or narrow window they stand below each other.
 */
const roomy = '@media (min-width:1200px) and (min-height:640px)';

/** Of a screen that holds a workbench. */
export const oneScreen = {
  [roomy]: {
    'display': 'flex',
    'flexDirection': 'column',
    'height': 'calc(100dvh - 84px)',
    '& > :first-of-type': { mb: 2.5 },
  },
};

/** Of the workbench itself: what is seen on the left, what is asked on the right. */
export const bench = {
  display: 'grid',
  gridTemplateColumns: { xs: 'minmax(0,1fr)', lg: 'minmax(0,1fr) 400px' },
  gap: 2.5,
  [roomy]: { flex: 1, minHeight: 0 },
};

/** Of a column that fills its height. */
export const column = { display: 'flex', flexDirection: 'column', gap: 2, minWidth: 0, minHeight: 0 };

/** Of what scrolls by itself. */
export const scrolls = { [roomy]: { overflowY: 'auto', minHeight: 0, flex: 1 } };
