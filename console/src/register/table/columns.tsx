import MuiLink from '@mui/material/Link';
import type { GridColDef } from '@mui/x-data-grid';
import { Link } from 'react-router';
import type { Placement } from '@orbis/contract';
import { formatState } from '@orbis/contract/language';
import { optionsInWords } from '@orbis/contract/options';
import { StateMark } from '../../components/StateMark.tsx';
import { formatWhen } from '../../components/when.ts';
import { CopyCode } from './CopyCode.tsx';

/** The columns of the register, in their order. */
export const columns: GridColDef<Placement>[] = [
  {
    field: 'embedName',
    headerName: 'Embed',
    flex: 1.1,
    minWidth: 160,
    hideable: false,
    renderCell: ({ row }) => (
      <MuiLink component={Link} to={`/collection/${row.embed}`}>
        {row.embedName}
      </MuiLink>
    ),
  },
  {
    field: 'place',
    headerName: 'Place',
    flex: 1.4,
    minWidth: 200,
    hideable: false,
    renderCell: ({ row }) => (
      <MuiLink href={row.url} target="_blank" rel="noreferrer" color="inherit">
        {row.place}
      </MuiLink>
    ),
  },
  { field: 'site', headerName: 'Site', width: 140 },
  {
    field: 'state',
    headerName: 'State',
    width: 140,
    valueFormatter: (state: Placement['state']) => formatState(state),
    renderCell: ({ row }) => <StateMark state={row.state} />,
  },
  { field: 'carries', headerName: 'Carries', width: 150, valueGetter: (_, row) => carries(row) },
  when('stateSince', 'In that state since'),
  when('lastSeenAt', 'Last seen'),
  when('checkedAt', 'Last looked at'),
  {
    field: 'issued',
    headerName: 'Handed out',
    width: 190,
    valueGetter: (_, { issued }) => formatWhen(issued?.at ?? null),
  },
  when('createdAt', 'Placed'),
  {
    field: 'options',
    headerName: 'Set here only',
    flex: 1,
    minWidth: 160,
    valueGetter: (_, { options }) => (Object.keys(options).length > 0 ? optionsInWords(options) : ''),
  },
  { field: 'note', headerName: 'Note', flex: 1, minWidth: 160 },
  {
    field: 'findings',
    headerName: 'What was found',
    flex: 1.4,
    minWidth: 220,
    valueGetter: (_, { findings }) => findings.map(({ message }) => message).join(' '),
  },
  {
    field: 'code',
    headerName: 'Code',
    width: 80,
    hideable: false,
    display: 'flex',
    renderCell: ({ row }) => <CopyCode placement={row} />,
  },
];

/** Those that are not shown until somebody wants them. */
export const hiddenAtFirst = [
  'site',
  'stateSince',
  'checkedAt',
  'issued',
  'createdAt',
  'options',
  'note',
  'findings',
];

function when(
  field: 'stateSince' | 'lastSeenAt' | 'checkedAt' | 'createdAt',
  headerName: string,
): GridColDef<Placement> {
  return { field, headerName, width: 190, valueFormatter: (at: string | null) => formatWhen(at) };
}

/* The revision that its page carries, and the newest one where that is another. */
function carries({ served, carries: on, revision }: Placement): string {
  if (served) return 'a link';
  if (on === null) return 'nothing yet';
  if (on.revision === revision) return `revision ${revision}`;
  return `revision ${on.revision ?? '?'} of ${revision}`;
}
