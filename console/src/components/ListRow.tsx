import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

/** The columns of a row, on narrow screens and from which width on otherwise (CSS Grid). */
export type Columns = Readonly<Partial<Record<'xs' | 'sm' | 'md', string>>>;

/** What begins with an icon: a narrow column for it, and what can be done at the end or below. */
export const withIcon: Columns = {
  xs: '28px minmax(0, 1fr)',
  sm: '28px minmax(0, 1fr) auto',
};

/** A row of a list, in columns; a line stands between it and the one before. */
export const ListRow = ({
  columns,
  rowGap = 0.25,
  children,
}: {
  columns: Columns;
  rowGap?: number;
  children: ReactNode;
}) => (
  <Box
    component="li"
    sx={{
      'display': 'grid',
      'gridTemplateColumns': columns,
      'columnGap': 2,
      rowGap,
      'alignItems': 'start',
      'py': 1.5,
      'borderTop': 1,
      'borderColor': 'divider',
      '&:first-of-type': { borderTop: 0, pt: 0.5 },
    }}
  >
    {children}
  </Box>
);
