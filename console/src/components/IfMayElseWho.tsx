import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { spoken } from '@orbis/contract/language';
import { rightFor } from '@orbis/contract/may-call';
import { useMay, useSession } from '../session.ts';
import type { Needs } from './IfMay.tsx';

/** What whoever is signed in may use; where they may not, who may, and whom to ask. */
export function IfMayElseWho({ children, ...of }: Needs & { children: ReactNode }) {
  return useMay()(of.call, of.site) ? children : <WhoMay {...of} />;
}

function WhoMay({ call }: Needs) {
  const owners = useSession().data?.owners ?? [];
  return (
    <Typography color="textSecondary" sx={{ maxWidth: 640 }}>
      {spoken.people.takes(rightFor(call) ?? 'see', owners)}
    </Typography>
  );
}
