import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { kinds, pastedLanguages, type Kind } from '@orbis/core';
import type { Site } from '@orbis/contract';
import { languageName } from '@orbis/contract/language';
import { api, refresh, useList } from '../api.ts';
import { draftOf, optionsOf, type Draft } from '../embed/draft.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { ReachNote } from '../components/ReachNote.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { addressesIn, SiteAddresses } from './SiteAddresses.tsx';
import { SiteColours } from './SiteColours.tsx';
import { SiteSchedule } from './SiteSchedule.tsx';
import { SiteStyle, styleProblem } from './SiteStyle.tsx';
import { DefaultFields } from './DefaultFields.tsx';

type Group = Kind | 'any';

/**
 * Whether a site has a way into the heads of its pages, and what is asked of its
 * embeds, by what kind they are of.
 */
export function SiteForm({ site, etag }: { site: Site; etag: string }) {
  const [head, setHead] = useState(site.head);
  const [language, setLanguage] = useState(site.language);
  const [colours, setColours] = useState<readonly string[]>(site.colours);
  const [further, setFurther] = useState(site.furtherAddresses.join('\n'));
  const [frameStyle, setFrameStyle] = useState(site.frameStyle);
  const [reading, setReading] = useState({ schedule: site.schedule, rendered: site.rendered });
  const [group, setGroup] = useState<Group>('any');
  const [drafts, setDrafts] = useState<Partial<Record<Group, Draft>>>(
    Object.fromEntries(Object.entries(site.defaults).map(([kind, options]) => [kind, draftOf(options)])),
  );
  const announce = useAnnounce();
  const draft = drafts[group] ?? {};
  const sheets = useList('providers.list', {}).items.map(({ sheet }) => sheet);
  const read = (kind: string, each: Draft) =>
    optionsOf(each, { sheets, saved: site.defaults[kind as Group] ?? {} });
  const { wrong } = read(group, draft);
  const save = useMutation({
    mutationFn: async () => {
      const defaults = Object.fromEntries(
        Object.entries(drafts).map(([kind, each]) => [kind, read(kind, each).options]),
      );
      return (
        await api.call('sites.change', {
          params: { site: site.key },
          ifMatch: etag,
          body: {
            head,
            language,
            furtherAddresses: addressesIn(further),
            colours: [...colours],
            frameStyle,
            ...reading,
            defaults,
          },
        })
      ).data;
    },
    onSuccess: async () => {
      await refresh('sites');
      announce(`Saved for ${site.name}. The register says which pages carry an earlier code now.`);
    },
  });
  const set = (name: string, value: string): void =>
    setDrafts((now) => ({ ...now, [group]: { ...now[group], [name]: value } }));
  return (
    <Stack spacing={3} sx={{ maxWidth: 820 }}>
      <Card title="The heads of its pages">
        <FormControlLabel
          control={<Switch checked={head} onChange={(_, on) => setHead(on)} />}
          label="I can put code into the head of this site’s pages"
        />
        <Typography variant="body2" color="textSecondary">
          Then what a page needs only once, such as the script of a provider, goes there, and is not repeated
          at every place.
        </Typography>
      </Card>
      <Card title="The language of its pages">
        <TextField
          select
          label="Language"
          value={language}
          onChange={(event) => setLanguage(event.target.value as typeof language)}
          helperText="In it visitors read what Orbis writes into your pages: the words of a button, of a link."
          sx={{ maxWidth: 420 }}
        >
          {pastedLanguages.map((each) => (
            <MenuItem key={each} value={each}>
              {languageName(each)}
            </MenuItem>
          ))}
        </TextField>
      </Card>
      <SiteAddresses site={site} lines={further} onChange={setFurther} />
      <SiteSchedule reading={reading} onChange={setReading} />
      <SiteColours site={site} colours={colours} onChange={setColours} />
      <SiteStyle site={site.key} colours={colours} style={frameStyle} onChange={setFrameStyle} />
      <Card title="What holds for its embeds">
        <Stack spacing={2.5}>
          <TextField
            select
            label="For"
            value={group}
            onChange={(event) => setGroup(event.target.value as Group)}
            sx={{ maxWidth: 260 }}
          >
            {(['any', ...kinds.filter((kind) => kind !== 'unknown')] as const).map((kind) => (
              <MenuItem key={kind} value={kind}>
                {kind === 'any' ? 'all embeds' : kind}
              </MenuItem>
            ))}
          </TextField>
          <DefaultFields
            key={group}
            group={group}
            draft={draft}
            wrong={wrong}
            sheets={sheets}
            onChange={set}
          />
        </Stack>
      </Card>
      <ProblemNote error={save.error} />
      <ReachNote of={{ site: site.key }} />
      <Box>
        <Button
          variant="contained"
          disabled={
            Object.entries(drafts).some(([kind, each]) => Object.keys(read(kind, each).wrong).length > 0) ||
            styleProblem(frameStyle) !== null ||
            save.isPending
          }
          onClick={() => save.mutate()}
        >
          Save for this site
        </Button>
      </Box>
    </Stack>
  );
}
