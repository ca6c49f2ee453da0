import Stack from '@mui/material/Stack';
import type { PageShown } from '@orbis/contract';
import { PagePicker } from '../PagePicker.tsx';
import { PlaceOnPage } from './PlaceOnPage.tsx';
import type { View } from './view.ts';

/** Chooses the published page in which an embed is shown, and where on it. */
export const PageChooser = ({
  view,
  page,
  onChange,
}: {
  view: View;
  page: PageShown | null;
  onChange: (part: Partial<View>) => void;
}) => (
  <Stack spacing={1.5}>
    <PagePicker label="Page" page={view.page} onChange={(key) => onChange({ page: key, beside: null })} />
    {page !== null && <PlaceOnPage view={view} page={page} onChange={onChange} />}
  </Stack>
);
