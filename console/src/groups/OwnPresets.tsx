import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { formatOptions } from '@orbis/contract/options';
import { api, refresh, useList } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

/** The owner's own presets, to be taken away. */
export function OwnPresets() {
  const presets = useList('presets.list', {});
  const announce = useAnnounce();
  const remove = useMutation({
    mutationFn: (preset: string) => api.call('presets.remove', { params: { preset }, ifMatch: '*' }),
    onSuccess: async () => {
      await refresh('presets');
      await announce.done('The preset is gone. Embeds that had it put on them stay as they are.');
    },
  });
  const own = presets.items.filter((preset) => preset.own);
  if (own.length === 0)
    return (
      <Typography color="textSecondary">
        None yet. “Keep these as a preset”, under the settings of an embed or above, makes one.
      </Typography>
    );
  return (
    <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
      {own.map((preset) => (
        <Box
          component="li"
          key={preset.key}
          sx={{
            display: 'flex',
            gap: 2,
            flexWrap: 'wrap',
            alignItems: 'center',
            py: 0.75,
            borderBottom: 1,
            borderColor: 'divider',
          }}
        >
          <Box sx={{ flex: 1, minWidth: 200 }}>
            <Typography sx={{ fontWeight: 600 }}>{preset.key.replaceAll('-', ' ')}</Typography>
            <Typography variant="body2" color="textSecondary">
              {preset.meaning}{' '}
              {formatOptions(preset.options)
                .map(({ name, value }) => `${name} ${value}`)
                .join(', ')}
            </Typography>
          </Box>
          <Button
            size="small"
            aria-label={`Take the preset ${preset.key} away`}
            onClick={() => remove.mutate(preset.key)}
          >
            Take it away
          </Button>
        </Box>
      ))}
      <ProblemNote error={remove.error} />
    </Box>
  );
}
