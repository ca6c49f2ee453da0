import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Fragment, useState } from 'react';
import type { PagePlan } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { CodeRuns, PlainCode } from '../components/CodeRuns.tsx';
import { CopyButton } from '../components/CopyButton.tsx';
import { Disclosure } from '../components/Disclosure.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { StepTick } from './StepTick.tsx';
import type { PlanWork } from './work.ts';

type Step = PagePlan['steps'][number];
type Snippet = PagePlan['snippets'][number];

/** The steps of a plan, numbered, each with what is pasted; `names` are those of embeds, by the placement. */
export function PlanSteps({
  plan: { block, steps, snippets },
  names,
  work,
}: {
  plan: Pick<PagePlan, 'block' | 'steps' | 'snippets'>;
  names: ReadonlyMap<string, string>;
  /** What is done with a step; null for whoever only looks at it. */
  work: PlanWork | null;
}) {
  return (
    <Box component="ol" aria-label="What to do" sx={{ m: 0, p: 0, listStyle: 'none' }}>
      {steps.map((step, at) => (
        <StepItem
          key={step.id}
          number={at + 1}
          step={step}
          names={names}
          work={work}
          isBlock={block !== null}
          snippet={snippets.find(
            ({ digest, position }) => digest === step.digest && position === step.position,
          )}
        />
      ))}
    </Box>
  );
}

interface StepProps {
  number: number;
  step: Step;
  snippet: Snippet | undefined;
  names: ReadonlyMap<string, string>;
  work: PlanWork | null;
  /** Whether it is of a block, and of no page. */
  isBlock: boolean;
}

function StepItem({ number, step, snippet, names, work, isBlock }: StepProps) {
  const shown = step.position === 'spot' ? names.get(snippet?.placements[0] ?? '') : undefined;
  const isDone = step.action === 'already-there';
  const where = spoken.stepAt(step, { placements: snippet?.placements.length ?? 0, isBlock });
  return (
    <Box
      component="li"
      sx={{
        'display': 'grid',
        'gridTemplateColumns': '2.25rem 1fr',
        'columnGap': 1,
        'py': 2,
        'borderTop': 1,
        'borderColor': 'divider',
        '&:first-of-type': { borderTop: 0, pt: 0 },
      }}
    >
      <Typography
        aria-hidden
        sx={{ fontWeight: 700, fontVariantNumeric: 'tabular-nums', color: 'text.secondary' }}
      >
        {number}
        <Box component="span" sx={{ display: 'none', displayPrint: 'inline' }}>
          {' '}
          ☐
        </Box>
      </Typography>
      <Box sx={{ minWidth: 0 }}>
        <Typography sx={{ color: isDone ? 'text.secondary' : 'text.primary', overflowWrap: 'anywhere' }}>
          <strong>{spoken.planActions[step.action]}</strong>
          {shown !== undefined && ` “${shown}”`} · {where}
        </Typography>
        {!isDone && step.fields.length > 0 && <Fields fields={step.fields} />}
        {step.text !== null && <PlainCode text={step.text} label="What to take out" />}
        {snippet && (
          <Code
            snippet={snippet}
            isDone={isDone}
            where={where}
            handOut={work && (() => work.handOut(step))}
          />
        )}
        {!isDone && work && <StepTick number={number} step={step} work={work} />}
      </Box>
    </Box>
  );
}

/* What the editor asks for beside the code. */
function Fields({ fields }: Pick<Step, 'fields'>) {
  return (
    <Box component="dl" sx={{ m: 0, mt: 1, display: 'grid', gridTemplateColumns: 'auto 1fr', columnGap: 2 }}>
      {fields.map(({ label, value }) => (
        <Fragment key={label}>
          <Typography component="dt" color="textSecondary">
            {label}
          </Typography>
          <Typography component="dd" sx={{ m: 0, overflowWrap: 'anywhere' }}>
            {value}
          </Typography>
        </Fragment>
      ))}
    </Box>
  );
}

/* What is pasted; what stands at a spot gets its number when it is copied, so that a sweep knows it. */
function Code({
  snippet,
  isDone,
  where,
  handOut,
}: {
  snippet: Snippet;
  isDone: boolean;
  where: string;
  handOut: (() => Promise<string>) | null;
}) {
  const [error, setError] = useState<unknown>(null);
  const text = async (): Promise<string> => {
    setError(null);
    return handOut!();
  };
  const code = <CodeRuns runs={snippet.runs} label={`Code for ${where}`} />;
  return (
    <>
      {!isDone && (
        <Box sx={{ display: 'none', displayPrint: 'block', mt: 1 }}>
          <PlainCode text={snippet.text} label={`Code for ${where}, on paper`} />
        </Box>
      )}
      <Box
        sx={{
          mt: 1,
          display: 'flex',
          displayPrint: 'none',
          flexDirection: 'column',
          alignItems: 'flex-start',
          gap: 1,
        }}
      >
        {!isDone && handOut && (
          <CopyButton
            text={text}
            label="Copy it"
            aria-label={`Copy what goes to ${where}`}
            onError={setError}
          />
        )}
        <Box sx={{ width: '100%' }}>
          <Disclosure label={isDone ? 'Show what is there' : 'Show the code'}>{code}</Disclosure>
        </Box>
        <ProblemNote error={error} />
      </Box>
    </>
  );
}
