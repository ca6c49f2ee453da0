import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { EditorRules } from '@orbis/core';
import type { Site } from '@orbis/contract';
import { useList } from '../../api.ts';
import { useAnnounce } from '../../components/Announcer.tsx';
import { Card } from '../../components/Card.tsx';
import { ProblemNote } from '../../components/ProblemNote.tsx';
import { HowOneWorks } from './HowOneWorks.tsx';
import { saveRules } from './save-rules.ts';
import { TakenFields } from './TakenFields.tsx';

/** The rules of an editor, to be said by hand, or taken from another site. */
export function EditorForm({ site, etag }: { site: Site; etag: string }) {
  const [rules, setRules] = useState<EditorRules>(site.editor);
  const announce = useAnnounce();
  const change = (changed: Partial<EditorRules>): void => setRules((now) => ({ ...now, ...changed }));
  const save = useMutation({
    mutationFn: () => saveRules(site, etag, rules),
    onSuccess: () =>
      announce.done(
        `Saved for the editor of ${site.name}. The register says which pages carry an earlier code now.`,
      ),
  });
  return (
    <>
      <Card title="What it takes">
        <Stack spacing={2.5}>
          <FromAnother site={site} onTake={setRules} />
          <TextField
            select
            label="It takes"
            value={rules.takes}
            onChange={(event) => change({ takes: event.target.value as EditorRules['takes'] })}
            helperText={
              rules.takes === 'link'
                ? 'Orbis hands out a link, of which the editor makes what visitors see.'
                : 'Orbis hands out codes, without what the editor would take out of them.'
            }
            sx={{ maxWidth: 420 }}
          >
            <MenuItem value="code">codes</MenuItem>
            <MenuItem value="link">links alone</MenuItem>
          </TextField>
          {rules.takes === 'code' && <TakenFields rules={rules} onChange={change} />}
        </Stack>
      </Card>
      <Card title="How one works with it">
        <HowOneWorks rules={rules} onChange={change} />
      </Card>
      <ProblemNote error={save.error} />
      <Box>
        <Button variant="contained" loading={save.isPending} onClick={() => save.mutate()}>
          Save for this editor
        </Button>
      </Box>
    </>
  );
}

/* The rules of another site, where there is one. */
function FromAnother({ site, onTake }: { site: Site; onTake: (rules: EditorRules) => void }) {
  const others = useList('sites.list', {}).items.filter(({ key }) => key !== site.key);
  if (others.length === 0) return null;
  return (
    <TextField
      select
      label="As on another site"
      value=""
      onChange={(event) => onTake(others.find(({ key }) => key === event.target.value)!.editor)}
      helperText="Where both have the same editor. Nothing is saved by this alone."
      sx={{ maxWidth: 420 }}
    >
      {others.map(({ key, name }) => (
        <MenuItem key={key} value={key}>
          {name}
        </MenuItem>
      ))}
    </TextField>
  );
}
