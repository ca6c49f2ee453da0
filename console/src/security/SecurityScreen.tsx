import Alert from '@mui/material/Alert';
import Stack from '@mui/material/Stack';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { FactorAdded } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { api, refresh } from '../api.ts';
import { IfMay } from '../components/IfMay.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { useSession } from '../session.ts';
import { AppCodes } from './AppCodes.tsx';
import { ForEverybody } from './ForEverybody.tsx';
import { Passkeys } from './Passkeys.tsx';
import { Recovery } from './Recovery.tsx';
import { RecoveryShownOnce } from './RecoveryShownOnce.tsx';

/** By what somebody signs in beside their password, and what is demanded of everybody. */
export default function SecurityScreen() {
  const mustSetUp = useSession().data?.person?.mustSetUp ?? false;
  const [shown, setShown] = useState<readonly string[] | null>(null);
  const security = useQuery({
    queryKey: ['session', 'security'],
    queryFn: async () => (await api.call('security.read')).data,
  });
  const added = ({ recovery }: FactorAdded): void => {
    setShown(recovery);
    void refresh('account', 'people');
  };
  return (
    <>
      <ScreenHead title="Security" lead={spoken.security.explain} />
      <ProblemNote error={security.error} />
      {security.isPending && <Waiting />}
      {security.data && (
        <Stack spacing={3} sx={{ maxWidth: 920 }}>
          {mustSetUp && (
            <Alert severity="info" variant="outlined">
              {spoken.security.mustSetUp}
            </Alert>
          )}
          <Passkeys security={security.data} onAdded={added} />
          <AppCodes security={security.data} onAdded={added} />
          {(security.data.codesSince !== null || security.data.passkeys.length > 0) && (
            <Recovery left={security.data.recoveryCodes} onMade={setShown} />
          )}
          {!mustSetUp && (
            <IfMay call="security.demand">
              <ForEverybody demandedOf={security.data.demandedOf} />
            </IfMay>
          )}
        </Stack>
      )}
      {shown && <RecoveryShownOnce codes={shown} onClose={() => setShown(null)} />}
    </>
  );
}
