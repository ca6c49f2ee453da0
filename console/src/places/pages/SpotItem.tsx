import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Spot } from '@orbis/contract';
import { plural, spoken } from '@orbis/contract/language';
import { api } from '../../api.ts';
import { Disclosure } from '../../components/Disclosure.tsx';
import { RemoveButton } from '../RemoveButton.tsx';
import { SpotForm } from './SpotForm.tsx';

/** A spot of a page: how large it is, how much is in it, changing and removing it. */
export function SpotItem({ spot }: { spot: Spot }) {
  const params = { spot: spot.key };
  return (
    <li>
      <strong>{spot.name}</strong>{' '}
      <Typography component="span" color="textSecondary">
        {spoken.spots.size(spot)}; {spot.placements === 0 ? 'empty' : plural(spot.placements, 'embed')}
      </Typography>{' '}
      <Disclosure label="Change" name={`Change the spot “${spot.name}”`}>
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
    </li>
  );
}
