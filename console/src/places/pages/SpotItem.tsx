import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Spot } from '@orbis/contract';
import { plural, spoken } from '@orbis/contract/language';
import { useMutation } from '@tanstack/react-query';
import { api, refresh } from '../../api.ts';
import { useAnnounce } from '../../components/Announcer.tsx';
import { Disclosure } from '../../components/Disclosure.tsx';
import { RemoveButton } from '../RemoveButton.tsx';
import { SpotForm } from './SpotForm.tsx';
import { IfMay } from '../../components/IfMay.tsx';
import { siteOf } from '../site-of.ts';

/**
 * A spot of a page: how large it is, how much is in it, changing and removing it.
 * @param isShareable whether many pages of the site have one of this name.
 */
export function SpotItem({ spot, isShareable }: { spot: Spot; isShareable: boolean }) {
  const params = { spot: spot.key };
  return (
    <li>
      <strong>{spot.name}</strong>{' '}
      <Typography component="span" color="textSecondary">
        {spot.shared ? 'as on many pages' : spoken.spots.size(spot)};{' '}
        {spot.placements === 0 ? 'empty' : plural(spot.placements, 'embed')}
      </Typography>{' '}
      <IfMay call="spots.change" site={siteOf(spot.key)}>
        <Disclosure
          label={spot.shared ? 'Change here' : 'Change'}
          name={`Change the spot “${spot.name}”${spot.shared ? ' on this page' : ''}`}
        >
          <SpotForm
            spot={spot}
            label={`Change the spot “${spot.name}”`}
            button="Save the spot"
            save={async (body) => {
              const { etag } = await api.call('spots.read', { params });
              await api.call('spots.change', { params, body, ifMatch: etag ?? '*' });
              return `Saved for ${spot.key}.`;
            }}
          />
        </Disclosure>
        {isShareable && !spot.shared && <ShareAgain spot={spot} />}
        <Box component="span">
          <RemoveButton
            label={`Remove the spot “${spot.name}”`}
            short="Remove"
            name={`the spot “${spot.name}”`}
            standing={async () => (await api.call('spots.standing', { params })).data}
            remove={async (query) => {
              const { etag } = await api.call('spots.read', { params });
              await api.call('spots.delete', { params, query, ifMatch: etag ?? '*' });
            }}
          />
        </Box>
      </IfMay>
    </li>
  );
}

/* Gives a spot up as a page says it, for what is said of all pages that have one of its name. */
function ShareAgain({ spot }: { spot: Spot }) {
  const announce = useAnnounce();
  const params = { spot: spot.key };
  const work = useMutation({
    mutationFn: async () => {
      const { etag } = await api.call('spots.read', { params });
      await api.call('spots.change', { params, body: { shared: true }, ifMatch: etag ?? '*' });
    },
    onSuccess: async () => {
      await refresh('sites');
      await announce.done(`The spot ${spot.key} is as on many pages.`);
    },
  });
  return (
    <Button
      size="small"
      aria-label={`Have the spot “${spot.name}” as on many pages`}
      loading={work.isPending}
      onClick={() => work.mutate()}
    >
      As on many pages
    </Button>
  );
}
