import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { frameWays, type FrameWay, type Option } from '@orbis/core';
import type { Composition } from '@orbis/contract';
import { capital, optionWords, spoken } from '@orbis/contract/language';
import type { Draft } from '../draft.ts';
import type { Inherited } from '../fields/field.ts';
import { Fields } from './Fields.tsx';
import { Folded } from './Folded.tsx';
import {
  answerOption,
  answerWords,
  contactsOption,
  fileAddress,
  powerOptions,
  siteStyleOption,
} from './option-groups.ts';
import { TheFile } from './TheFile.tsx';

type Frame = Composition['frame'];

/** How an embed stands on its page: the ways with what each gives and costs, and what it may do there. */
export function ItsFrame({
  frame,
  draft,
  inherited,
  isPossible,
  field,
  contacting,
  onChange,
}: {
  /** Undefined until the code was read. */
  frame: Frame | undefined;
  draft: Draft;
  inherited: Readonly<Record<string, Inherited>>;
  /** Whether an option makes sense for it. */
  isPossible: (option: Option) => boolean;
  field: (option: Option) => ReactNode;
  /** Whom it contacts, and finding that out. */
  contacting?: ReactNode;
  onChange: (name: string, value: string | null) => void;
}) {
  const held = inherited['frame']?.value ?? 'none';
  const chosen = (draft['frame']?.trim() || held) as FrameWay;
  const answer = valueOf('answer', draft, inherited);
  return (
    <Stack spacing={1.5}>
      <RadioGroup
        aria-label="Its frame"
        value={chosen}
        onChange={(_, way) => onChange('frame', way === held ? null : way)}
      >
        {frameWays.map((way) => (
          <Way key={way} way={way} frame={frame} isChosen={way === chosen} />
        ))}
      </RadioGroup>
      {chosen === 'file' && <Fields options={[fileAddress]} field={field} />}
      {chosen === 'file' && frame?.document && <TheFile document={frame.document} />}
      {chosen !== 'none' && frame && (
        <>
          {isPossible(answerOption) && <Answer answer={answer} field={field} />}
          <Powers powers={frame.powers} />
          <Folded
            label="Without the style of its site"
            options={[siteStyleOption]}
            draft={draft}
            field={field}
          />
          <Folded label="Let it do more, or less" options={powerOptions} draft={draft} field={field} />
          {contacting}
          <Folded
            label="The hosts as a line to type"
            options={[contactsOption]}
            draft={draft}
            field={field}
          />
        </>
      )}
    </Stack>
  );
}

/* What is asked, here or at another level; empty where nothing is. */
const valueOf = (name: string, draft: Draft, inherited: Readonly<Record<string, Inherited>>): string =>
  draft[name]?.trim() || (inherited[name]?.value ?? '');

/* Where its form is answered, with the words where they are the owner’s own. */
const Answer = ({ answer, field }: { answer: string; field: (option: Option) => ReactNode }) => (
  <Fields options={[answerOption, ...(answer === 'words' ? answerWords : [])]} field={field} />
);

function Way({ way, frame, isChosen }: { way: FrameWay; frame: Frame | undefined; isChosen: boolean }) {
  const refused = frame?.refused.find((each) => each.way === way)?.detail;
  const isBest = frame?.recommended === way;
  const { gives, costs } = spoken.frameWays[way];
  return (
    <FormControlLabel
      value={way}
      disabled={refused !== undefined && !isChosen}
      control={<Radio size="small" sx={{ mt: -0.75 }} />}
      sx={{ alignItems: 'flex-start', mr: 0, py: 0.75 }}
      label={
        <Box component="span" sx={{ display: 'block' }}>
          <Typography component="span" variant="body1" sx={{ display: 'block', fontWeight: 600 }}>
            {optionWords('frame').words?.[way]}
            {isBest && (
              <Typography component="span" variant="body2" color="primary" sx={{ ml: 1 }}>
                Recommended
              </Typography>
            )}
          </Typography>
          <Typography component="span" variant="body2" color="textSecondary" sx={{ display: 'block' }}>
            {refused ?? `${gives} ${costs}`}
          </Typography>
          {isBest && (
            <Typography component="span" variant="body2" sx={{ display: 'block', mt: 0.25 }}>
              {capital(`${frame.reasons.join('; ')}.`)}
            </Typography>
          )}
        </Box>
      }
    />
  );
}

/* What it may do now, each with why. */
const Powers = ({ powers }: { powers: Frame['powers'] }) => (
  <Box>
    <Typography variant="body1" component="h3" sx={{ mb: 0.5, fontWeight: 600 }}>
      What it may do
    </Typography>
    <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
      {powers
        .filter(({ allowed }) => allowed)
        .map(({ option, reason }) => (
          <Typography key={option} component="li" variant="body2" data-power={option}>
            {optionWords(option).label}
            {reason && (
              <Typography component="span" variant="body2" color="textSecondary">
                : {reason}
              </Typography>
            )}
          </Typography>
        ))}
    </Box>
  </Box>
);
