import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { RouteName } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { rightFor } from '@orbis/contract/may-call';
import { useMay, useSession } from '../session.ts';

interface Props {
  /** The operation that is called. */
  call: RouteName;
  /** The site that it is about, where it is known. */
  site?: string;
}

/** What whoever is signed in may use, and nothing where they may not. */
export function IfMay({ call, site, children }: Props & { children: ReactNode }) {
  return useMay()(call, site) ? children : null;
}

/** What whoever is signed in may use; where they may not, who may, and whom to ask. */
export function IfMayElseWho({ children, ...of }: Props & { children: ReactNode }) {
  return useMay()(of.call, of.site) ? children : <WhoMay {...of} />;
}

function WhoMay({ call }: Props) {
  const owners = useSession().data?.owners ?? [];
  return (
    <Typography color="textSecondary" sx={{ maxWidth: 640 }}>
      {spoken.people.takes(rightFor(call) ?? 'see', owners)}
    </Typography>
  );
}
