import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { Look } from '@orbis/contract';
import { api } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { Empty } from '../components/Empty.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { formatWhen } from '../components/when.ts';
import { Complaints } from './Complaints.tsx';
import { LoadedByHost } from './LoadedByHost.tsx';
import { LookButton } from './LookButton.tsx';
import { LookPictures } from './LookPictures.tsx';
import { PlacedSeen } from './PlacedSeen.tsx';
import { IfMay } from '../components/IfMay.tsx';
import { siteOf } from '../places/site-of.ts';

/** What a browser saw of a published page: now, or at an earlier time, or at two times side by side. */
export default function LooksScreen() {
  const asked = useSearchParams()[0];
  const key = asked.get('page') ?? '';
  // Whoever comes from the check of a site sees the two that were held against each other.
  const [chosen, setChosen] = useState(asked.get('look'));
  const [beside, setBeside] = useState(asked.get('beside') ?? '');
  const found = useQuery({
    queryKey: ['looks', key],
    queryFn: async () => {
      const params = { page: key };
      const [page, looks] = await Promise.all([
        api.call('pages.read', { params }),
        api.call('looks.list', { params, query: {} }),
      ]);
      return { page: page.data, looks: looks.data.items };
    },
  });
  if (found.error) return <ProblemNote error={found.error} />;
  if (!found.data) return <Waiting />;
  const { page, looks } = found.data;
  const look = looks.find(({ id }) => id === chosen) ?? looks[0];
  const other = looks.find(({ id }) => id === beside && id !== look?.id) ?? null;
  return (
    <>
      <ScreenHead
        title={`How ${page.title} looks`}
        lead={
          <>
            A browser reads the page as a visitor does: on a phone, a tablet and a desktop.{' '}
            <Link to={`/plan?page=${encodeURIComponent(key)}`}>Its plan</Link>
          </>
        }
      >
        <IfMay call="looks.take" site={siteOf(key)}>
          <LookButton page={key} isFirst={!look} onTaken={() => setChosen(null)} />
        </IfMay>
      </ScreenHead>
      {!look ? (
        <Empty title="Nobody has looked yet">
          “Look now” takes pictures of the page, and says of each embed whether it shows, plays, makes the
          page jump, or loads something before anybody agreed.
        </Empty>
      ) : (
        <Stack spacing={3}>
          {looks.length > 1 && (
            <Stack direction={{ xs: 'column', sm: 'row' }} spacing={2} sx={{ maxWidth: 640 }}>
              <WhichLook label="Look of" looks={looks} value={look.id} onChange={setChosen} />
              <WhichLook
                label="Beside it"
                looks={looks.filter(({ id }) => id !== look.id)}
                value={other?.id ?? ''}
                onChange={setBeside}
                none="nothing"
              />
            </Stack>
          )}
          <LookPictures look={look} other={other} title={page.title} />
          {look.placed.map((placed) => (
            <PlacedSeen key={placed.placement} placed={placed} />
          ))}
          <LoadedByHost hosts={look.hosts} />
          <Complaints complaints={look.complaints} />
          {look.placed.length === 0 && <Card>Nothing is placed on this page whose code was handed out.</Card>}
        </Stack>
      )}
    </>
  );
}

/* One of the looks at a page, by its time. */
function WhichLook({
  label,
  looks,
  value,
  onChange,
  none,
}: {
  label: string;
  looks: readonly Look[];
  value: string;
  onChange: (id: string) => void;
  none?: string;
}) {
  return (
    <TextField
      select
      label={label}
      value={value}
      onChange={({ target }) => onChange(target.value)}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
    >
      {none !== undefined && <MenuItem value="">{none}</MenuItem>}
      {looks.map(({ id, at }) => (
        <MenuItem key={id} value={id}>
          {formatWhen(at)}
        </MenuItem>
      ))}
    </TextField>
  );
}
