import Stack from '@mui/material/Stack';
import { useParams } from 'react-router';
import { ProblemNote } from '../../components/ProblemNote.tsx';
import { ScreenHead } from '../../components/ScreenHead.tsx';
import { Waiting } from '../../components/Waiting.tsx';
import { EditorForm } from './EditorForm.tsx';
import { LearnEditor } from './LearnEditor.tsx';
import { RulesFile } from './RulesFile.tsx';
import { useSite } from '../use-site.ts';

/** What a site’s editor lets through: learned by a specimen, or said by hand. */
export default function EditorScreen() {
  const { site: key = '' } = useParams();
  const found = useSite(key);
  if (found.error) return <ProblemNote error={found.error} />;
  if (!found.data) return <Waiting />;
  const { data: site, etag } = found.data;
  return (
    <>
      <ScreenHead
        title={`The editor of ${site.name}`}
        lead="Many editors change what is pasted into them. Orbis hands out what this one lets through: find that out once, and every code for this site is made so that it survives."
      />
      <Stack spacing={3} sx={{ maxWidth: 820 }}>
        <LearnEditor site={site} etag={etag ?? ''} />
        <EditorForm key={etag} site={site} etag={etag ?? ''} />
        <RulesFile site={site} etag={etag ?? ''} />
      </Stack>
    </>
  );
}
