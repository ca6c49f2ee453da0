import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import {
  allOptions,
  deviceOf,
  handName,
  optionsFor,
  ruleOf,
  type Option,
  type Reading,
  type Sheet,
} from '@orbis/core';
import type { Composition } from '@orbis/contract';
import { optionWords } from '@orbis/contract/language';
import { Disclosure } from '../components/Disclosure.tsx';
import type { Draft } from './draft.ts';
import type { PlayerTime } from './player-time.ts';
import { originOf, type Inherited } from './fields/field.ts';
import { HandParameters } from './fields/HandParameters.tsx';
import { OptionField } from './fields/OptionField.tsx';

const grid = { display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 2 };
const group = { border: 0, p: 0, m: 0, minWidth: 0 };

const looks = allOptions.filter(({ stage }) => stage === 'presentation');
/* What some screens only are asked, and what stands at the edges, few need. */
const isOnScreens = ({ name }: Option): boolean => deviceOf(name) !== null;
const isAtEdges = ({ group }: Option): boolean => group === 'edges';

interface Props {
  draft: Draft;
  wrong: Record<string, string>;
  /** What stands against the options together. */
  problems: Composition['problems'];
  implied: Composition['implied'];
  /** What is asked and cannot be carried to the page as things are. */
  uncarried: Composition['uncarried'];
  /** What holds where nothing is asked here. */
  inherited: Readonly<Record<string, Inherited>>;
  sheet: Sheet | null;
  /** What the code shows, and whether it has a frame or player of its own. */
  reading: Pick<Reading, 'kind' | 'parts'>;
  player: PlayerTime | null;
  onChange: (name: string, value: string | null) => void;
}

/** All options as a form, in plain words. What the provider does not offer stays visible, and says why. */
export function OptionForm({
  draft,
  wrong,
  problems,
  implied,
  uncarried,
  inherited,
  sheet,
  reading,
  player,
  onChange,
}: Props) {
  const context = { sheet, player, zoom: Number(draft['zoom'] || inherited['zoom']?.value) || 13 };
  const { offered, missing } = settingsFor(sheet, reading);
  // What is set stays in sight, also where the code cannot have it any more.
  const possible = looks.filter(
    (option) => option.isOffered(sheet, reading) || draft[option.name] !== undefined,
  );
  const field = (option: Option) => {
    const { name, example } = option;
    return (
      <OptionField
        key={name}
        option={option}
        context={context}
        name={name}
        label={optionWords(name, sheet).label}
        value={draft[name] ?? ''}
        wrong={wrong[name] ?? problems.find((problem) => problem.option === name)?.detail}
        help={
          cameWith(implied, name) ??
          ([originOf(inherited[name] ?? null, draft[name] ?? ''), explained(option, sheet)]
            .filter(Boolean)
            .join(' ') ||
            undefined)
        }
        example={example.replace('%', ' %')}
        inherited={inherited[name] ?? null}
        onChange={(value) => onChange(name, value)}
      />
    );
  };
  const hasHand = Object.keys(draft).some((name) => name.startsWith(handName('')));
  return (
    <Stack spacing={3}>
      <Stack spacing={2} component="fieldset" sx={group}>
        <Typography variant="h3" component="legend">
          What it does
        </Typography>
        {!sheet && (
          <Typography color="textSecondary">
            Orbis has no sheet for this provider, so it does not know where its settings go in this code.
          </Typography>
        )}
        <Box sx={grid}>{offered.map(field)}</Box>
        {sheet && missing.length > 0 && (
          <Typography
            variant="body2"
            color="textSecondary"
            data-missing={missing.map(({ name }) => name).join(' ')}
          >
            {sheet.name} does not offer: {missing.map(({ name }) => optionWords(name).label).join(' · ')}.
          </Typography>
        )}
        {hasHand ? (
          <HandParameters draft={draft} onChange={onChange} />
        ) : (
          <Disclosure label="Set a parameter by hand">
            <HandParameters draft={draft} onChange={onChange} />
          </Disclosure>
        )}
      </Stack>
      <Stack spacing={2} component="fieldset" sx={group}>
        <Typography variant="h3" component="legend">
          How it stands on the page
        </Typography>
        {possible.length === 0 && (
          <Typography color="textSecondary">
            It stands over the page and not in a place on it, so it has no width and no side there.
          </Typography>
        )}
        <Box sx={grid}>
          {possible.filter((option) => !isOnScreens(option) && !isAtEdges(option)).map(field)}
        </Box>
        <Folded
          label="Corners, line and shadow"
          options={possible.filter(isAtEdges)}
          draft={draft}
          field={field}
        />
        <Folded
          label="Different on phones or tablets"
          options={possible.filter(isOnScreens)}
          draft={draft}
          field={field}
        />
        {uncarried.map(({ option, detail }) => (
          <Typography key={option} variant="body2" color="textSecondary" data-uncarried={option}>
            {optionWords(option, sheet).label}: {detail}
          </Typography>
        ))}
      </Stack>
    </Stack>
  );
}

/* Fields behind a line that says what they are about, until one of them is set. */
function Folded({
  label,
  options,
  draft,
  field,
}: {
  label: string;
  options: readonly Option[];
  draft: Draft;
  field: (option: Option) => ReactNode;
}) {
  if (options.length === 0) return null;
  const fields = <Box sx={grid}>{options.map(field)}</Box>;
  return options.some(({ name }) => draft[name] !== undefined) ? (
    fields
  ) : (
    <Disclosure label={label}>{fields}</Disclosure>
  );
}

/* In the order of the sheet: what matters most of this provider stands first in it. What makes no sense for
   this kind is not shown; what only the provider does not offer is. */
function settingsFor(
  sheet: Sheet | null,
  reading: Props['reading'],
): { offered: Option[]; missing: Option[] } {
  const order = [...Object.keys(sheet?.settings ?? {}), ...Object.keys(sheet?.options ?? {})];
  const place = ({ name }: Option): number => (order.includes(name) ? order.indexOf(name) : order.length);
  const settings = optionsFor(sheet).filter(({ stage }) => stage === 'settings');
  const ofEveryCode = (option: Option): boolean => option.isOffered(null, null);
  const fits = ({ kinds }: Option): boolean => kinds === 'any' || kinds.includes(reading.kind);
  const offered = settings.filter((option) => option.isOffered(sheet, reading));
  return {
    offered: [
      ...offered.filter((option) => !ofEveryCode(option)).sort((a, b) => place(a) - place(b)),
      ...offered.filter(ofEveryCode),
    ],
    missing: settings.filter((option) => !ofEveryCode(option) && !offered.includes(option) && fits(option)),
  };
}

function cameWith(implied: Props['implied'], name: string): string | undefined {
  const came = implied.find(({ option }) => option === name);
  return came && `${came.value === 'on' ? 'Yes, because ' : ''}${came.reason}`.replace(/[^.]$/, '$&.');
}

/* A field of words says by its label what it is. */
function explained({ name, type }: Option, sheet: Sheet | null): string | undefined {
  const itself =
    type.name === 'switch' || type.name === 'choice' ? undefined : optionWords(name, sheet).explain;
  return [itself, ruleOf(sheet, name)?.note].filter(Boolean).join(' ') || undefined;
}
