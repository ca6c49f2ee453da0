import Typography from '@mui/material/Typography';
import type { Spot } from '@orbis/contract';
import { plural } from '@orbis/contract/language';
import { api } from '../../api.ts';
import { RemoveButton } from '../RemoveButton.tsx';

/** A spot of a page: how wide it is, how much is in it, and removing it. */
export function SpotItem({ spot }: { spot: Spot }) {
  const { phone, tablet, desktop } = spot.widths;
  const params = { spot: spot.key };
  return (
    <li>
      <strong>{spot.name}</strong>{' '}
      <Typography component="span" color="textSecondary">
        {phone}, {tablet} and {desktop} px wide;{' '}
        {spot.placements === 0 ? 'empty' : plural(spot.placements, 'embed')}
      </Typography>{' '}
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
    </li>
  );
}
