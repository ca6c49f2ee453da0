import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { JudgedPlaced } from '@orbis/contract';
import { formatBytes, spoken } from '@orbis/contract/language';
import { Card } from '../components/Card.tsx';

const { looks } = spoken;

/** What was seen of something placed: in each window, what it loaded, and what is wrong with it. */
export function PlacedSeen({ placed }: { placed: JudgedPlaced }) {
  const { placement, embedName, place, isThere, widths, findings } = placed;
  return (
    <Card title={embedName}>
      <Typography color="textSecondary" sx={{ mt: -1, mb: 1.5 }}>
        in <Link to={`/register/${placement}`}>{place}</Link>
      </Typography>
      {!isThere && <Typography>It is not on the page.</Typography>}
      {findings.map(({ rule, message, remedy, level }) => (
        <Box key={rule} sx={{ mb: 1.5 }}>
          <Typography color={level === 'error' ? 'error' : 'warning'} sx={{ fontWeight: 600 }}>
            {message}
          </Typography>
          <Typography>{remedy}</Typography>
        </Box>
      ))}
      {isThere &&
        saysOf(placed).map((line) => (
          <Typography key={line} sx={{ mb: 0.5 }}>
            {line}
          </Typography>
        ))}
      {isThere && (
        <TableContainer tabIndex={0} sx={{ 'mt': 1.5, '& .MuiTableCell-root': { px: { xs: 0.75, sm: 2 } } }}>
          <Table size="small" aria-label={`${embedName} in each window`}>
            <TableHead>
              <TableRow>
                {['On', 'To be seen', 'Size', 'While it loads'].map((head) => (
                  <TableCell key={head}>{head}</TableCell>
                ))}
              </TableRow>
            </TableHead>
            <TableBody>
              {widths.map(({ width, box, shows, moved }) => (
                <TableRow key={width}>
                  <TableCell component="th" scope="row">
                    {looks.devices[width]}
                  </TableCell>
                  <TableCell>{looks.shows(shows, box)}</TableCell>
                  <TableCell sx={{ whiteSpace: 'nowrap' }}>{looks.size(box)}</TableCell>
                  <TableCell>{looks.moved(moved)}</TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </TableContainer>
      )}
    </Card>
  );
}

function saysOf({ waits, before, after, playing, sent }: JudgedPlaced): string[] {
  const load = (of: typeof before): string =>
    looks.loads({ requests: of.requests, size: formatBytes(of.bytes) });
  return [
    waits
      ? `It loads ${load(before)} at once, and ${load(after)} once somebody allows it.`
      : `It loads ${load(before)}.`,
    ...(playing ? [looks.playing(playing)] : []),
    ...(sent ? [looks.sent(sent)] : []),
  ];
}
