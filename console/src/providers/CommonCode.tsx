import Typography from '@mui/material/Typography';
import type { SheetProposal } from '@orbis/contract';
import { CodeRuns, type CodeRun } from '../components/CodeRuns.tsx';

/**
 * The first code, with what differs from sample to sample marked, and what stands
 * there in the others on demand.
 */
export function CommonCode({ proposal: { codes, samples } }: { proposal: SheetProposal }) {
  const [first] = codes.samples;
  const runs = codes.pieces.flatMap(({ text, optional }, i): CodeRun[] => {
    const own = first?.[i];
    if (own === null || own === undefined) return [];
    if (text !== null && !optional) return [{ from: 'source', text }];
    const others = [
      ...new Set(
        codes.samples.flatMap((values) =>
          values[i] === null ? ['(not there)'] : text === null ? [values[i]!] : [],
        ),
      ),
    ];
    return [
      {
        from: 'orbis',
        text: text ?? own,
        reason: text === null ? `It differs: ${others.join(', ')}` : 'Some codes do without it',
      },
    ];
  });
  const told = samples.filter(({ from }) => from !== null).length;
  return (
    <>
      <Typography color="textSecondary" sx={{ mb: 1.5, maxWidth: 640 }}>
        This is the first code. What is marked differs from one to the other; everything else is the same in
        all {codes.samples.length}.
        {told > 0 &&
          ` ${told === 1 ? 'One of them was' : `${told} of them were`} told by the provider about its links.`}
      </Typography>
      <CodeRuns runs={runs} label="The first code, with what differs marked" />
    </>
  );
}
