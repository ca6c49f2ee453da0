import GridIcon from '@mui/icons-material/GridViewOutlined';
import ListIcon from '@mui/icons-material/ViewListOutlined';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';

/** How the collection is shown: line by line, or in pictures. */
export type View = 'list' | 'pictures';

export const ViewChooser = ({ view, onChange }: { view: View; onChange: (view: View) => void }) => (
  <ToggleButtonGroup
    size="small"
    exclusive
    value={view}
    onChange={(_, next: View | null) => next && onChange(next)}
    aria-label="Shown as"
  >
    <ToggleButton value="list" sx={{ color: 'text.primary' }}>
      <ListIcon fontSize="small" sx={{ mr: 0.75 }} /> List
    </ToggleButton>
    <ToggleButton value="pictures" sx={{ color: 'text.primary' }}>
      <GridIcon fontSize="small" sx={{ mr: 0.75 }} /> Pictures
    </ToggleButton>
  </ToggleButtonGroup>
);
