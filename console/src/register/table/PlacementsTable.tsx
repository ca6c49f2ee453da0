import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import {
  ColumnsPanelTrigger,
  DataGrid,
  Toolbar,
  type GridRowId,
  type GridRowSelectionModel,
} from '@mui/x-data-grid';
import { createContext, use, useState, type ReactNode } from 'react';
import type { Placement } from '@orbis/contract';
import { nonce } from '../../components/nonce.ts';
import { PlacementRow } from '../PlacementRow.tsx';
import { useMay } from '../../session.ts';
import { ActOnMany } from './ActOnMany.tsx';
import { columns } from './columns.tsx';
import { useKeptColumns } from './kept-columns.ts';

const nothing = (): GridRowSelectionModel => ({ type: 'include', ids: new Set<GridRowId>() });

/** Placements as a table: columns by choice, many changed at once, and the one that is opened below it. */
export default function PlacementsTable({ placements }: { placements: readonly Placement[] }) {
  const isChanging = useMay()('placements.changeMany');
  const [shown, setShown] = useKeptColumns();
  const [selection, setSelection] = useState(nothing);
  const [opened, setOpened] = useState<string | null>(null);
  const chosen = placements.filter(({ id }) => selection.ids.has(id)).map(({ id }) => id);
  const open = placements.find(({ id }) => id === opened);
  return (
    <>
      <Acts value={isChanging ? <ActOnMany chosen={chosen} onDone={() => setSelection(nothing())} /> : null}>
        <Box sx={{ maxHeight: '70vh', display: 'flex', flexDirection: 'column' }}>
          <DataGrid
            aria-label="Placements"
            nonce={nonce}
            rows={placements}
            columns={columns}
            density="compact"
            rowHeight={44}
            checkboxSelection={isChanging}
            disableRowSelectionOnClick
            disableRowSelectionExcludeModel
            disableColumnSorting
            disableColumnFilter
            disableColumnMenu
            hideFooter
            rowSelectionModel={selection}
            onRowSelectionModelChange={setSelection}
            columnVisibilityModel={shown}
            onColumnVisibilityModelChange={setShown}
            onRowClick={({ id }) => setOpened(String(id))}
            onCellKeyDown={({ id, field }, { key }) => {
              if (key === 'Enter' && field !== 'code') setOpened(String(id));
            }}
            showToolbar
            slots={{ toolbar: Bar }}
            slotProps={{ columnsManagement: { getTogglableColumns: togglable, disableShowHideToggle: true } }}
            sx={look}
          />
        </Box>
      </Acts>
      {open && (
        <Box sx={{ mt: 2 }}>
          <PlacementRow placement={open} />
        </Box>
      )}
    </>
  );
}

/* What can be done with what is chosen, for the bar over the table. */
const Acts = createContext<ReactNode>(null);

const Bar = () => (
  <Toolbar>
    <Box sx={{ flex: 1 }}>{use(Acts)}</Box>
    <ColumnsPanelTrigger render={<Button size="small">Columns</Button>} />
  </Toolbar>
);

const togglable = (): string[] =>
  columns.filter(({ hideable }) => hideable !== false).map(({ field }) => field);

const look = {
  'bgcolor': 'background.paper',
  '--DataGrid-containerBackground': 'var(--mui-palette-background-paper)',
  '& .MuiDataGrid-columnHeaderTitle': { fontWeight: 600, color: 'text.secondary' },
  '& .MuiDataGrid-row': { cursor: 'pointer' },
  '& .MuiDataGrid-toolbar': { minHeight: 44, pl: 2 },
} as const;
