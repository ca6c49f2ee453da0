import FaultIcon from '@mui/icons-material/ErrorOutlined';
import NoteIcon from '@mui/icons-material/InfoOutlined';
import WarningIcon from '@mui/icons-material/WarningAmberOutlined';
import WellIcon from '@mui/icons-material/CheckCircleOutlined';
import type { DoctorState } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';

const marks = {
  well: { Icon: WellIcon, color: 'success' },
  note: { Icon: NoteIcon, color: 'disabled' },
  warning: { Icon: WarningIcon, color: 'warning' },
  fault: { Icon: FaultIcon, color: 'error' },
} as const;

/** A sign for how it stands with something, which also says so. */
export function HealthMark({ state }: { state: DoctorState }) {
  const { Icon, color } = marks[state];
  return <Icon color={color} titleAccess={spoken.doctor.states[state]} sx={{ mt: '1px' }} />;
}
