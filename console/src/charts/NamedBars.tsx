import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { BarChart } from '@mui/x-charts/BarChart';
import type { ReactNode } from 'react';
import { Disclosure } from '../components/Disclosure.tsx';
import { nonce } from '../components/nonce.ts';

/** Something that has a name and a number. */
export interface Bar {
  name: string;
  value: number;
  /** The row of the table that it stands in: its cells, the first of them a heading. */
  cells: readonly ReactNode[];
}

/**
 * Things by a number of theirs as lying bars; and the same, with more about each, as a table. @param label
 * what the whole of it shows, in a few words.
 */
export function NamedBars({
  label,
  heads,
  bars,
  written,
}: {
  label: string;
  heads: readonly string[];
  bars: readonly Bar[];
  /** How a number is written. */
  written: (value: number) => string;
}) {
  return (
    <Box>
      <Box aria-hidden>
        <BarChart
          nonce={nonce}
          layout="horizontal"
          height={60 + 34 * bars.length}
          skipAnimation
          disableKeyboardNavigation
          yAxis={[
            { data: bars.map(({ name }) => name), scaleType: 'band', width: 170, categoryGapRatio: 0.35 },
          ]}
          xAxis={[{ valueFormatter: written, tickNumber: 4, tickMinStep: 1 }]}
          margin={{ left: 0, right: 24 }}
          grid={{ vertical: true }}
          hideLegend
          series={[
            {
              ...{ label, data: bars.map(({ value }) => value), color: 'var(--mui-palette-primary-main)' },
              valueFormatter: (value) => written(value ?? 0),
            },
          ]}
        />
      </Box>
      <Disclosure label="As a table" name={`${label}, as a table`}>
        <TableContainer tabIndex={0} sx={{ maxHeight: 320, mt: 1 }}>
          <Table size="small" stickyHeader aria-label={label}>
            <TableHead>
              <TableRow>
                {heads.map((head, at) => (
                  <TableCell key={head} align={at === 0 ? 'left' : 'right'}>
                    {head}
                  </TableCell>
                ))}
              </TableRow>
            </TableHead>
            <TableBody>
              {bars.map(({ name, cells: [first, ...others] }) => (
                <TableRow key={name}>
                  <TableCell component="th" scope="row">
                    {first}
                  </TableCell>
                  {others.map((cell, at) => (
                    <TableCell key={heads[at + 1]} align="right">
                      {cell}
                    </TableCell>
                  ))}
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </TableContainer>
      </Disclosure>
    </Box>
  );
}
