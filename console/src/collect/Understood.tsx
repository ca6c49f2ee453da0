import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { compareTexts } from '@orbis/core';
import { api } from '../api.ts';
import { CompareRuns, PlainCode } from '../components/CodeRuns.tsx';
import { Disclosure } from '../components/Disclosure.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { CodeParts } from './CodeParts.tsx';
import { MendNote } from './MendNote.tsx';
import type { Mending } from './mending.ts';
import { ReadingFacts } from './ReadingFacts.tsx';

interface Props {
  /** What was pasted. */
  text: string;
  /** What of it shall be mended; null for nothing. */
  rules: Mending | null;
  onMend: (rules: Mending | null) => void;
}

/** What a paste is, and what is wrong with it; mended where that is wanted. */
export function Understood({ text, rules, onMend }: Props) {
  const reading = useQuery({
    queryKey: ['reading', text],
    queryFn: async ({ signal }) =>
      (await api.call('readings.create', { body: { text }, signal })).data.items[0]!,
    placeholderData: (before) => before,
  });
  const mended = useQuery({
    queryKey: ['reading', text, rules],
    enabled: rules !== null,
    queryFn: async ({ signal }) => {
      const { data } = await api.call('readings.create', { body: { text, mend: rules ?? false }, signal });
      return { reading: data.items[0]!, ...data.mended[0]! };
    },
    placeholderData: (before) => before,
  });
  const now = rules === null ? undefined : mended.data;
  const shown = now?.reading ?? reading.data;
  if (reading.error) return <ProblemNote error={reading.error} />;
  if (!shown) return null;
  const mendOne = (rule: string): void => onMend(rules === true ? true : [...(rules ?? []), rule]);
  return (
    <Stack spacing={2}>
      <MendNote
        done={now?.done ?? null}
        findings={reading.data?.findings ?? []}
        onAll={() => onMend(true)}
        onNone={() => onMend(null)}
      />
      <ReadingFacts reading={shown} onMend={mendOne} />
      <CodeParts text={now?.text ?? text} reading={shown} />
      {now && (
        <Disclosure label="Show it as it was pasted">
          <Typography variant="h3">As it was pasted</Typography>
          <CompareRuns
            runs={compareTexts(text, now.text)}
            label="What was pasted, with what is mended in it"
          />
        </Disclosure>
      )}
      {shown.generated !== null && (
        <div>
          <Typography variant="h3">
            The code that Orbis makes of {shown.input === 'link' ? 'this link without asking anybody' : 'it'}
          </Typography>
          <PlainCode text={shown.generated} label="The code made of the link" />
        </div>
      )}
    </Stack>
  );
}
