import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { Look } from '@orbis/contract';
import { formatBytes, spoken } from '@orbis/contract/language';
import { Card } from '../components/Card.tsx';

/** What a page loads, by host: at once, and when visitors allow it. */
export function LoadedByHost({ hosts }: { hosts: Look['hosts'] }) {
  const load = ({ requests, bytes }: Look['hosts'][number]['before']): string =>
    spoken.looks.loads({ requests, size: formatBytes(bytes) });
  return (
    <Card title="What the page loads on a desktop">
      <TableContainer tabIndex={0}>
        <Table size="small" aria-label="What the page loads, by host">
          <TableHead>
            <TableRow>
              {['From', 'At once', 'When it is allowed'].map((head) => (
                <TableCell key={head}>{head}</TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {hosts.map(({ host, isOwn, before, after }) => (
              <TableRow key={host}>
                <TableCell component="th" scope="row" sx={{ overflowWrap: 'anywhere' }}>
                  {host}
                  {isOwn && ', the page’s own'}
                </TableCell>
                <TableCell>{load(before)}</TableCell>
                <TableCell>{load(after)}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </TableContainer>
    </Card>
  );
}
