import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MuiLink from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { SavedSearch } from '@orbis/contract';
import { api, refresh, useList } from '../api.ts';
import { AddForm } from '../components/AddForm.tsx';
import { useAnnounce } from '../components/Announcer.tsx';
import { Disclosure } from '../components/Disclosure.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { addressOf, searchIn, searchWords } from './search-words.ts';
import { IfMay } from '../components/IfMay.tsx';

/** The searches that are kept: each a way back to what it finds; and keeping the one that is shown. */
export function SavedSearches({ search }: { search: URLSearchParams }) {
  const list = useList('savedSearches.list', {});
  const announce = useAnnounce();
  const where = searchWords(search);
  const current = list.items.find((each) => isSame(each, where));
  const remove = useMutation({
    mutationFn: async ({ name }: SavedSearch) => {
      const params = { search: name };
      const { etag } = await api.call('savedSearches.read', { params });
      await api.call('savedSearches.remove', { params, ifMatch: etag ?? '*' });
    },
    onSuccess: async (_, { name }) => {
      await refresh('savedSearches');
      await announce.done(`“${name}” is kept no more.`);
    },
  });
  return (
    <Box component="section" aria-label="Searches that are kept" sx={{ mb: 2 }}>
      {list.items.length > 0 && (
        <Typography component="div" sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2.5, mb: 1 }}>
          {list.items.map(({ name, where: kept }) => {
            const asked = searchIn(kept);
            return asked === null ? (
              <span key={name} title={kept}>
                {name}
              </span>
            ) : (
              <MuiLink
                key={name}
                component={Link}
                to={addressOf(asked)}
                aria-current={name === current?.name}
              >
                {name}
              </MuiLink>
            );
          })}
        </Typography>
      )}
      <IfMay call="savedSearches.save">
        {current ? (
          <Button
            size="small"
            loading={remove.isPending}
            onClick={() => remove.mutate(current)}
            sx={{ ml: -0.75 }}
          >
            Keep “{current.name}” no more
          </Button>
        ) : (
          where !== '' && (
            <Disclosure label="Keep this search under a name">
              <AddForm
                changes="savedSearches"
                button="Keep it"
                fields={[{ name: 'name', label: 'What do you call it?', placeholder: 'To renew' }]}
                add={async ({ name = '' }) => {
                  const params = { search: name.trim() };
                  const { data } = await api.call('savedSearches.save', {
                    params,
                    body: { where },
                    ifNoneMatch: '*',
                  });
                  return `“${data.name}” stands over the register from now on.`;
                }}
              />
            </Disclosure>
          )
        )}
      </IfMay>
      <ProblemNote error={list.error ?? remove.error} />
    </Box>
  );
}

/* Whether a kept search is the one that is shown. */
function isSame({ where }: SavedSearch, shown: string): boolean {
  const asked = searchIn(where);
  return asked !== null && searchWords(asked) === shown;
}
