import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import { handName, ruleOf, type Option, type Reading, type Sheet } from '@orbis/core';
import type { Composition } from '@orbis/contract';
import { optionWords } from '@orbis/contract/language';
import type { CodePart } from './compose.ts';
import type { Draft } from './draft.ts';
import type { PlayerTime } from './player-time.ts';
import { originOf, type Inherited } from './fields/field.ts';
import { OptionField } from './fields/OptionField.tsx';
import { HowItLooks } from './steps/HowItLooks.tsx';
import { ItsFrame } from './steps/ItsFrame.tsx';
import { first, groups, isolation, loading } from './steps/option-groups.ts';
import { saysOf } from './steps/says.ts';
import { settingsFor, type OfferedSettings } from './steps/settings-for.ts';
import { Step } from './steps/Step.tsx';
import { WhatItDoes } from './steps/WhatItDoes.tsx';
import { Fields } from './steps/Fields.tsx';

/** What the form is made from. */
export interface OptionFormProps {
  draft: Draft;
  wrong: Record<string, string>;
  /** What stands against the options together. */
  problems: Composition['problems'];
  implied: Composition['implied'];
  /** What is asked and cannot be carried to the page as things are. */
  uncarried: Composition['uncarried'];
  /** How it stands on its page; undefined until the code was read. */
  frame: Composition['frame'] | undefined;
  /** What holds where nothing is asked here. */
  inherited: Readonly<Record<string, Inherited>>;
  sheet: Sheet | null;
  /** What the code shows, and whether it has a frame or player of its own. */
  reading: Pick<Reading, 'kind' | 'parts'>;
  player: PlayerTime | null;
  /** The parts that the code could do without. */
  parts?: readonly CodePart[] | undefined;
  onChange: (name: string, value: string | null) => void;
  /** What can be found out with a browser, beside how it loads. */
  looking?: ReactNode;
  /** Whom it contacts, beside what its frame lets it do. */
  contacting?: ReactNode;
  /** What helps to choose a part of a frame. */
  cropping?: ReactNode;
  /** A step behind those of the options. */
  last?: { title: string; says: string; content: ReactNode };
}

/**
 * All options in the steps of the work, one of them open at a time. What the provider does not offer stays
 * visible, and says why.
 */
export function OptionForm(props: OptionFormProps) {
  const { draft, wrong, problems, uncarried, sheet, reading, last } = props;
  const [open, setOpen] = useState<string>('does');
  const settings = settingsFor(sheet, reading);
  // What is set stays in sight, also where the code cannot have it any more.
  const isPossible = (option: Option): boolean =>
    option.isOffered(sheet, reading) || draft[option.name] !== undefined;
  const steps = stepsOf(settings, isPossible);
  const field = (option: Option) => <FieldOf key={option.name} option={option} {...props} />;
  const step = (id: string, title: string, options: readonly Option[], content: ReactNode) => (
    <Step
      key={id}
      title={title}
      says={saysWithHand(id, options, draft, sheet)}
      wants={problems
        .map(({ option }) => option)
        .concat(Object.keys(wrong))
        .some((name) => options.some((option) => option.name === name))}
      isOpen={open === id}
      onOpen={() => setOpen(open === id ? '' : id)}
    >
      {content}
    </Step>
  );
  return (
    <div>
      {step('does', 'What it does', steps.does, <WhatItDoes {...props} settings={settings} field={field} />)}
      {step(
        'looks',
        'How it looks',
        steps.looks,
        <HowItLooks {...props} isPossible={isPossible} field={field} tools={{ crop: props.cropping }} />,
      )}
      {step(
        'loads',
        'How it loads',
        steps.loads,
        <>
          <Fields options={steps.loads} field={field} />
          {props.looking}
        </>,
      )}
      {step('frame', 'Its frame', isolation, <ItsFrame {...props} isPossible={isPossible} field={field} />)}
      {last && (
        <Step
          title={last.title}
          says={last.says}
          wants={false}
          isOpen={open === 'last'}
          onOpen={() => setOpen(open === 'last' ? '' : 'last')}
        >
          {last.content}
        </Step>
      )}
      <Stack spacing={0.5}>
        {uncarried.map(({ option, detail }) => (
          <Typography key={option} variant="body2" color="textSecondary" data-uncarried={option}>
            {optionWords(option, sheet).label}: {detail}
          </Typography>
        ))}
      </Stack>
    </div>
  );
}

/* The options of each step, as far as this code can have them. */
const stepsOf = (
  { offered }: OfferedSettings,
  isPossible: (option: Option) => boolean,
): Record<'does' | 'looks' | 'loads', readonly Option[]> => ({
  does: offered,
  looks: [...first, ...groups.flatMap(({ options }) => options)].filter(isPossible),
  loads: loading.filter(isPossible),
});

/* Parameters that are set by hand belong to what it does. */
function saysWithHand(id: string, options: readonly Option[], draft: Draft, sheet: Sheet | null): string {
  const said = saysOf(options, draft, sheet);
  const byHand = Object.keys(draft).filter((name) => name.startsWith(handName('')));
  if (id !== 'does' || byHand.length === 0) return said;
  const hand = byHand.map((name) => `${name.slice(handName('').length)} ${draft[name]}`).join(' · ');
  return options.some(({ name }) => draft[name]?.trim()) ? `${said} · ${hand}` : hand;
}

function FieldOf({
  option,
  draft,
  wrong,
  problems,
  implied,
  inherited,
  sheet,
  player,
  parts,
  onChange,
}: OptionFormProps & { option: Option }) {
  const { name, example } = option;
  const value = draft[name] ?? '';
  const from = inherited[name] ?? null;
  const help =
    cameWith(implied, name) ??
    ([originOf(from, value), explained(option, sheet)].filter(Boolean).join(' ') || undefined);
  return (
    <OptionField
      option={option}
      context={{ sheet, player, parts, zoom: Number(draft['zoom'] || inherited['zoom']?.value) || 13 }}
      name={name}
      label={optionWords(name, sheet).label}
      value={value}
      wrong={wrong[name] ?? problems.find((problem) => problem.option === name)?.detail}
      help={help}
      example={example.replace('%', ' %')}
      inherited={from}
      onChange={(next) => onChange(name, next)}
    />
  );
}

function cameWith(implied: OptionFormProps['implied'], name: string): string | undefined {
  const came = implied.find(({ option }) => option === name);
  return came && `${came.value === 'on' ? 'Yes, because ' : ''}${came.reason}`.replace(/[^.]$/, '$&.');
}

/* A field of words says by its label what it is. */
function explained({ name, type, group }: Option, sheet: Sheet | null): string | undefined {
  const isPlain = (type.name === 'switch' || type.name === 'choice') && group !== 'loading';
  const itself = isPlain ? undefined : optionWords(name, sheet).explain;
  return [itself, ruleOf(sheet, name)?.note].filter(Boolean).join(' ') || undefined;
}
