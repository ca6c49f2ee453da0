import DoneIcon from '@mui/icons-material/Check';
import CopyIcon from '@mui/icons-material/ContentCopyOutlined';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import { useMutation } from '@tanstack/react-query';
import type { Placement } from '@orbis/contract';
import { api, refresh } from '../../api.ts';
import { useAnnounce } from '../../components/Announcer.tsx';
import { useMay } from '../../session.ts';

/** Copies the code of a placement, in a cell of the table; nothing is to be pasted of one that is paused. */
export function CopyCode({ placement: { id, place, site, embedName, pausedAt } }: { placement: Placement }) {
  const may = useMay();
  const announce = useAnnounce();
  const copy = useMutation({
    mutationFn: async () => {
      const { data, status } = await api.call('deliveries.create', { params: { placement: id } });
      await navigator.clipboard.writeText(data.text);
      if (status === 201) await refresh('placements');
      return data.snippets.some(({ position }) => position !== 'spot');
    },
    onSuccess: (hasMore) =>
      announce(
        hasMore
          ? `Copied for ${place}. The page needs more than this: its steps are under Places, “what it needs”.`
          : `Copied for ${place}.`,
      ),
    onError: (error) => announce(error.message),
  });
  if (pausedAt !== null || !may('deliveries.create', site)) return null;
  const label = `Copy the code of ${embedName} for ${place}`;
  return (
    <Tooltip title="Copy the code">
      <IconButton
        size="small"
        aria-label={label}
        loading={copy.isPending}
        onClick={(event) => (event.stopPropagation(), copy.mutate())}
      >
        {copy.isSuccess ? <DoneIcon fontSize="small" /> : <CopyIcon fontSize="small" />}
      </IconButton>
    </Tooltip>
  );
}
