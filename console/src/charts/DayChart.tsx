import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { BarChart } from '@mui/x-charts/BarChart';
import { Disclosure } from '../components/Disclosure.tsx';
import { nonce } from '../components/nonce.ts';

/** Something that is counted day by day. */
export interface Series {
  label: string;
  /** A colour of the palette, such as `success.main`. */
  colour: string;
  /** One number for each day. */
  counts: readonly number[];
}

const dayName = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', timeZone: 'UTC' });
const nameOf = (day: string): string => dayName.format(new Date(`${day}T00:00:00Z`));

/**
 * Counts day by day as bars, one upon the other; and the same as a table, for whoever wants the numbers or
 * does not see the bars. @param label what the whole of it shows, in a few words.
 */
export function DayChart({
  label,
  days,
  series,
}: {
  label: string;
  /** As `2026-11-30`. */
  days: readonly string[];
  series: readonly Series[];
}) {
  const shown = series.filter(({ counts }) => counts.some((count) => count > 0));
  return (
    <Box>
      <Box aria-hidden>
        <BarChart
          nonce={nonce}
          height={220}
          skipAnimation
          disableKeyboardNavigation
          xAxis={[{ data: days.map(nameOf), scaleType: 'band', categoryGapRatio: 0.3 }]}
          yAxis={[{ width: 44, tickMinStep: 1 }]}
          margin={{ left: 0, right: 8 }}
          grid={{ horizontal: true }}
          series={shown.map(({ label: name, colour, counts }) => ({
            ...{ label: name, data: [...counts], stack: 'all' },
            color: colourOf(colour),
          }))}
        />
      </Box>
      <Disclosure label="As a table" name={`${label}, as a table`}>
        <TableContainer tabIndex={0} sx={{ maxHeight: 320, mt: 1 }}>
          <Table size="small" stickyHeader aria-label={label}>
            <TableHead>
              <TableRow>
                <TableCell>Day</TableCell>
                {shown.map((each) => (
                  <TableCell key={each.label} align="right">
                    {each.label}
                  </TableCell>
                ))}
              </TableRow>
            </TableHead>
            <TableBody>
              {days
                .map((day, at) => (
                  <TableRow key={day}>
                    <TableCell component="th" scope="row">
                      {nameOf(day)}
                    </TableCell>
                    {shown.map((each) => (
                      <TableCell key={each.label} align="right">
                        {each.counts[at] ?? 0}
                      </TableCell>
                    ))}
                  </TableRow>
                ))
                .reverse()}
            </TableBody>
          </Table>
        </TableContainer>
      </Disclosure>
    </Box>
  );
}

/* A colour of the palette, as the scheme has it that is shown. */
const colourOf = (name: string): string => `var(--mui-palette-${name.replaceAll('.', '-')})`;
