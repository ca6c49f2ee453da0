import { useNavigate, useSearchParams } from 'react-router';
import { useQuery } from '@tanstack/react-query';
import { renameSheet } from '@orbis/contract/sheet-file';
import { api } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { SheetEditor } from './SheetEditor.tsx';

const sample = `# What a sheet says. Fill in what you know; what is not offered is left out.
id: my-provider
name: My provider
version: 1
kind: video
hosts: [video.my-provider.example]
links:
  - { hostname: my-provider.example, pathname: '/watch/:id' }
frames:
  - { hostname: video.my-provider.example, pathname: '/embed/:id' }
code:
  address: '{scheme}://video.my-provider.example{+port}/embed/{id}'
  width: 640
  height: 360
  title: Video
  allow: [fullscreen]
settings:
  start: { in: query, name: start, format: seconds }
needs: {}
`;

/** A new sheet: from nothing, or as a copy of another one. */
export default function NewSheetScreen() {
  const [search] = useSearchParams();
  const of = search.get('copy');
  const navigate = useNavigate();
  const announce = useAnnounce();
  const copied = useQuery({
    queryKey: ['providers', 'copy', of],
    enabled: of !== null,
    queryFn: async () => (await api.call('providers.read', { params: { provider: of! } })).data.text,
  });
  if (copied.error) return <ProblemNote error={copied.error} />;
  if (of !== null && copied.data === undefined) return <Waiting />;
  return (
    <>
      <ScreenHead
        title={of === null ? 'Bring a sheet' : `A copy of ${of}`}
        lead="A sheet with the id of a built-in one is used instead of that; take yours away, and the built-in one is there again. “orbis check --schema” prints what may stand in it."
      />
      <Card>
        <SheetEditor
          initial={of === null ? sample : renameSheet(copied.data!, `${of}-copy`)}
          onSaved={async ({ id, sheet }) => {
            announce(`The sheet of ${sheet.name} is saved.`);
            await navigate(`/providers/${id}`);
          }}
        />
      </Card>
    </>
  );
}
