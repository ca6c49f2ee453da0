import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { useState } from 'react';
import type { Channel, ChannelWithSecret } from '@orbis/contract';
import { useList } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { Empty } from '../components/Empty.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { ChannelDialog } from './ChannelDialog.tsx';
import { ChannelRow } from './ChannelRow.tsx';
import { LatestNews } from './LatestNews.tsx';
import { ShownOnce } from './ShownOnce.tsx';
import { Undelivered } from './Undelivered.tsx';
import { useMay } from '../session.ts';
import { IfMay } from '../components/IfMay.tsx';

/** By which ways an owner hears of what sweeps find, what did not get through, and what there was last. */
export default function NewsScreen() {
  const may = useMay();
  const channels = useList('channels.list', {}, {}, () => 10_000, may('channels.list'));
  const [editing, setEditing] = useState<Channel | 'new' | null>(null);
  const [made, setMade] = useState<ChannelWithSecret | null>(null);
  return (
    <>
      <ScreenHead
        title="News"
        lead="Hear of what is found on your pages, and of what is well again: by mail, in a feed reader, or in a program of yours."
      >
        <IfMay call="channels.create">
          <Button variant="contained" onClick={() => setEditing('new')}>
            Add a way
          </Button>
        </IfMay>
      </ScreenHead>
      <ProblemNote error={channels.error} />
      <Stack spacing={3}>
        <IfMay call="messages.list">
          <Undelivered />
        </IfMay>
        {channels.data && channels.items.length === 0 && (
          <Empty title="News goes nowhere yet">
            What sweeps find stands under “Attention”. Add a way, and you hear of it without looking.
          </Empty>
        )}
        {channels.items.length > 0 && (
          <Card title="Where it goes">
            <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
              {channels.items.map((channel) => (
                <ChannelRow
                  key={channel.name}
                  channel={channel}
                  onEdit={() => setEditing(channel)}
                  onSecret={setMade}
                />
              ))}
            </Box>
            <More list={channels} />
          </Card>
        )}
        <LatestNews />
      </Stack>
      {editing && (
        <ChannelDialog
          channel={editing === 'new' ? null : editing}
          onClose={() => setEditing(null)}
          onMade={setMade}
        />
      )}
      {made !== null && made.secret !== null && (
        <ShownOnce kind={made.kind} secret={made.secret} onClose={() => setMade(null)} />
      )}
    </>
  );
}
