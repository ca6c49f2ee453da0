import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import type { EditorRules } from '@orbis/core';
import type { Site } from '@orbis/contract';
import { OrbisError } from '@orbis/contract/errors';
import { useAnnounce } from '../../components/Announcer.tsx';
import { Card } from '../../components/Card.tsx';
import { ProblemNote } from '../../components/ProblemNote.tsx';
import { saveRules } from './save-rules.ts';

/** The rules of an editor as a file, for another Orbis: taken out, and taken in. */
export function RulesFile({ site, etag }: { site: Site; etag: string }) {
  const announce = useAnnounce();
  const take = useMutation({
    mutationFn: async (file: File) => {
      const before = JSON.stringify(site.editor);
      return JSON.stringify(await saveRules(site, etag, rulesIn(await file.text()))) !== before;
    },
    onSuccess: async (isChanged) => {
      // Where nothing was changed there is nothing to take back.
      if (!isChanged) announce(`The editor of ${site.name} had these rules before.`);
      else await announce.done(`The editor of ${site.name} has the rules of the file now.`);
    },
  });
  return (
    <Card title="As a file">
      <Typography color="textSecondary" sx={{ mb: 1.5 }}>
        For a colleague who has the same editor, or to keep them elsewhere.
      </Typography>
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap' }}>
        <Button
          component="a"
          variant="outlined"
          download={`editor-of-${site.key}.json`}
          href={`data:application/json;charset=utf-8,${encodeURIComponent(JSON.stringify(site.editor, null, 2))}`}
        >
          Export the rules
        </Button>
        <Button component="label" variant="outlined" loading={take.isPending}>
          Take rules from a file
          <input
            type="file"
            accept=".json,application/json"
            hidden
            onChange={(event) => {
              const file = event.target.files?.[0];
              if (file) take.mutate(file);
              event.target.value = '';
            }}
          />
        </Button>
      </Box>
      <ProblemNote error={take.error} />
    </Card>
  );
}

/* Whether they fit is said by the service, with the rule that does not. */
function rulesIn(text: string): Partial<EditorRules> {
  const none = new OrbisError('bad-request', { problem: 'There are no rules of an editor in this file.' });
  try {
    const read: unknown = JSON.parse(text);
    if (typeof read === 'object' && read !== null && !Array.isArray(read)) return read;
  } catch {
    // What it is then is said below, as of a list.
  }
  throw none;
}
