import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import LinearProgress from '@mui/material/LinearProgress';
import Stack from '@mui/material/Stack';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { ImportAnswer, ImportItem } from '@orbis/contract';
import { plural } from '@orbis/contract/language';
import { refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { tagsIn } from '../components/tags.ts';
import { ImportOutcome } from './ImportOutcome.tsx';
import { itemsIn, takeIn } from './take-in.ts';

/** Takes in many codes from files: tried first, then all of them or none. */
export default function ImportScreen() {
  const [items, setItems] = useState<{ files: string; items: ImportItem[] } | null>(null);
  const [tags, setTags] = useState('');
  const [skipRefused, setSkip] = useState(false);
  const [progress, setProgress] = useState<Progressed | null>(null);
  const [tried, setTried] = useState<ImportAnswer | null>(null);
  const [done, setDone] = useState<ImportAnswer | null>(null);
  const announce = useAnnounce();
  const tagList = tagsIn(tags);

  const run = (what: ImportItem[], dryRun: boolean): Promise<ImportAnswer> =>
    takeIn(what, { tags: tagList, dryRun, skipRefused }, setProgress).finally(() => setProgress(null));
  const look = useMutation({
    mutationFn: async (files: File[]) => {
      setTried(null);
      setDone(null);
      setItems(null);
      const read = await itemsIn(files);
      setItems({ files: files.length === 1 ? files[0]!.name : plural(files.length, 'file'), items: read });
      return run(read, true);
    },
    onSuccess: setTried,
  });
  const take = useMutation({
    mutationFn: async () => run(items!.items, false),
    onSuccess: async (answer) => {
      setDone(answer);
      setTried(null);
      await refresh('embeds');
      void announce.done(`${plural(answer.taken.length, 'code is', 'codes are')} in the collection.`);
    },
  });
  const blocked = tried !== null && tried.refused.length > 0 && !skipRefused;

  return (
    <>
      <ScreenHead
        title="Take in many"
        lead="From files with a code each, or from one file with many: CSV with the columns name, code, tags and note, or a JSON object a line with the same. They are tried first; then all of them are taken in, or none."
      />
      <Stack spacing={3}>
        <Card title="The files">
          <Stack spacing={2}>
            <TextField
              label="Tags for all of them"
              value={tags}
              onChange={(event) => setTags(event.target.value)}
              placeholder="old site"
              helperText="With commas between them. By a tag they are found, and changed, together."
              sx={{ maxWidth: 420 }}
            />
            <ChooseFiles
              variant={tried ? 'outlined' : 'contained'}
              disabled={progress !== null}
              onFiles={(files) => look.mutate(files)}
            />
            {progress && <Progress {...progress} />}
            <ProblemNote error={look.error ?? take.error} />
          </Stack>
        </Card>
        {items && tried && (
          <Card title={`What would become of ${items.files}`}>
            <Stack spacing={2}>
              <ImportOutcome answer={tried} items={items.items} />
              {tried.refused.length > 0 && (
                <FormControlLabel
                  control={<Switch checked={skipRefused} onChange={(_, on) => setSkip(on)} />}
                  label="Leave out what cannot be taken in"
                />
              )}
              <Button
                variant="contained"
                disabled={blocked || tried.taken.length === 0 || progress !== null}
                onClick={() => take.mutate()}
                sx={{ alignSelf: 'flex-start' }}
              >
                Take in {plural(tried.taken.length, 'code')}
              </Button>
            </Stack>
          </Card>
        )}
        {done && (
          <Alert severity="success" variant="outlined">
            {plural(done.taken.length, 'code is', 'codes are')} in{' '}
            <Link
              to={tagList[0] ? `/collection?q=${encodeURIComponent(`tag="${tagList[0]}"`)}` : '/collection'}
            >
              the collection
            </Link>
            .
          </Alert>
        )}
      </Stack>
    </>
  );
}

interface Progressed {
  read: number;
  of: number;
}

const Progress = ({ read, of }: Progressed) => (
  <Box role="status">
    <LinearProgress variant="determinate" value={(100 * read) / of} aria-label="Codes read" />
    <Typography variant="body2" color="textSecondary" sx={{ mt: 0.75 }}>
      {read === of ? 'Writing it down…' : `${read.toLocaleString()} of ${plural(of, 'code')} read`}
    </Typography>
  </Box>
);

const ChooseFiles = ({
  variant,
  disabled,
  onFiles,
}: {
  variant: 'outlined' | 'contained';
  disabled: boolean;
  onFiles: (files: File[]) => void;
}) => (
  <Button component="label" variant={variant} disabled={disabled} sx={{ alignSelf: 'flex-start' }}>
    Choose files
    <input
      type="file"
      multiple
      hidden
      aria-label="Files with codes"
      accept=".csv,.ndjson,.jsonl,.html,.htm,.txt"
      onChange={(event) => {
        const files = [...(event.target.files ?? [])];
        if (files.length > 0) onFiles(files);
        event.target.value = '';
      }}
    />
  </Button>
);
