import ErrorIcon from '@mui/icons-material/ErrorOutlined';
import NoteIcon from '@mui/icons-material/InfoOutlined';
import WarningIcon from '@mui/icons-material/WarningAmberOutlined';

/** How bad a finding is, as a mark and a word. */
export const levels = {
  error: { icon: <ErrorIcon color="error" />, name: 'Error' },
  warning: { icon: <WarningIcon color="warning" />, name: 'Warning' },
  note: { icon: <NoteIcon color="info" />, name: 'Note' },
};
