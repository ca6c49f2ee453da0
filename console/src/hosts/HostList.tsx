import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { AskedHost } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { useList } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { Empty } from '../components/Empty.tsx';
import { ListRow } from '../components/ListRow.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { formatWhen } from '../components/when.ts';
import { AskButton } from './AskButton.tsx';
import { Wellness } from './Wellness.tsx';
import { IfMay } from '../components/IfMay.tsx';

/** The hosts that placed embeds load something from, those with most that is wrong first. */
export function HostList() {
  const list = useList('hosts.list', {});
  return (
    <>
      <ScreenHead
        title="What your embeds load"
        lead="The frames, scripts, files and links of what is placed. Once a day they are asked for, to see that they are still there; what is wrong stands under “Attention”."
      >
        <IfMay call="resources.ask">
          <AskButton host={null} />
        </IfMay>
      </ScreenHead>
      <ProblemNote error={list.error} />
      {list.isPending && <Waiting />}
      {list.data && list.items.length === 0 && (
        <Empty title="Nothing was asked for yet">
          Once something is placed that loads from elsewhere, it stands here by the hosts it comes from.
        </Empty>
      )}
      {list.items.length > 0 && (
        <Card>
          <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
            {list.items.map((host) => (
              <HostRow key={host.host} host={host} />
            ))}
          </Box>
          <More list={list} />
        </Card>
      )}
    </>
  );
}

const columns = { xs: '1fr', md: 'minmax(0, 1fr) 290px 70px 215px' };

function HostRow({ host: of }: { host: AskedHost }) {
  const { host, providerName, resources, faulty, took, askedAt } = of;
  return (
    <ListRow columns={columns}>
      <Box sx={{ minWidth: 0 }}>
        <Link
          to={`/hosts?host=${encodeURIComponent(host)}`}
          style={{ fontWeight: 600, overflowWrap: 'anywhere' }}
        >
          {host}
        </Link>
        {providerName !== null && <Typography color="textSecondary">{providerName}</Typography>}
      </Box>
      <Wellness isWell={faulty === 0}>{spoken.loaded.summary({ resources, faulty })}</Wellness>
      <Typography color="textSecondary" sx={{ textAlign: { md: 'right' } }}>
        {took === null ? '' : spoken.loaded.took(took)}
      </Typography>
      <Typography color="textSecondary" sx={{ textAlign: { md: 'right' } }}>
        {askedAt === null ? 'not asked yet' : formatWhen(askedAt)}
      </Typography>
    </ListRow>
  );
}
