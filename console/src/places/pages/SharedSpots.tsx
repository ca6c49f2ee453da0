import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { SharedSpot } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { api } from '../../api.ts';
import { Disclosure } from '../../components/Disclosure.tsx';
import { RemoveButton } from '../RemoveButton.tsx';
import { SharedSpotForm } from './SharedSpotForm.tsx';
import { IfMay } from '../../components/IfMay.tsx';
import { siteOf } from '../site-of.ts';

/** The spots that many pages of a site have: said, changed and removed once for all of them. */
export function SharedSpots({
  site,
  spots,
  children,
}: {
  site: string;
  spots: readonly SharedSpot[];
  /** What else can be added that many pages have. */
  children: ReactNode;
}) {
  return (
    <Box component="section" aria-label={`Spots that many pages of ${site} have`}>
      {spots.length > 0 && (
        <>
          <Typography variant="h3">Spots that many pages have</Typography>
          <Box component="ul" sx={{ m: 0, mt: 0.5, mb: 0.5, pl: 2.5 }}>
            {spots.map((spot) => (
              <SharedSpotItem key={spot.key} spot={spot} />
            ))}
          </Box>
        </>
      )}
      <IfMay call="sharedSpots.create" site={site}>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, rowGap: 1 }}>
          <Disclosure label="Add a spot that many pages have">
            <Box sx={{ flex: '1 1 100%' }}>
              <SharedSpotForm
                label={`Add a spot that many pages of ${site} have`}
                button="Add it to these pages"
                isNew
                save={async ({ name, ...values }) => {
                  const body = { key: `${site}#${name}`, ...values };
                  const { data } = await api.call('sharedSpots.create', { body });
                  return `The spot “${data.name}” is there on ${spoken.spots.sharedBy(data.under)}.`;
                }}
              />
            </Box>
          </Disclosure>
          {children}
        </Box>
      </IfMay>
    </Box>
  );
}

function SharedSpotItem({ spot }: { spot: SharedSpot }) {
  const params = { shared: spot.key };
  return (
    <li>
      <strong>{spot.name}</strong>{' '}
      <Typography component="span" color="textSecondary">
        {spoken.spots.size(spot)}; {spoken.spots.sharedBy(spot.under)}
      </Typography>{' '}
      <IfMay call="sharedSpots.change" site={siteOf(spot.key)}>
        <Disclosure label="Change" name={`Change the spot “${spot.name}” on all its pages`}>
          <SharedSpotForm
            spot={spot}
            label={`Change the spot “${spot.name}” on all its pages`}
            button="Save for all its pages"
            save={async ({ under, widths, heights, selector }) => {
              const { etag } = await api.call('sharedSpots.read', { params });
              const body = { under, widths, heights, selector };
              await api.call('sharedSpots.change', { params, body, ifMatch: etag ?? '*' });
              return `Saved for ${spoken.spots.sharedBy(under)}.`;
            }}
          />
        </Disclosure>
        <Box component="span">
          <RemoveButton
            label={`Remove the spot “${spot.name}” from all its pages`}
            short="Remove"
            name={`the spot “${spot.name}” that many pages have`}
            standing={{ pages: 0, placements: 0, seen: 0 }}
            remove={async () => {
              const { etag } = await api.call('sharedSpots.read', { params });
              await api.call('sharedSpots.delete', { params, ifMatch: etag ?? '*' });
            }}
          />
        </Box>
      </IfMay>
    </li>
  );
}
