import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { dressNamed, frameSettings, settings, type Reading, type SettingDefinition, type Sheet } from '@orbis/core';
import type { Outcome } from '@orbis/contract';
import { Unfold } from '../parts/Unfold.tsx';
import type { Draft } from './draft.ts';
import type { PlayerTime } from './player-time.ts';
import { ChoiceField } from './wishes/ChoiceField.tsx';
import { ColourField } from './wishes/ColourField.tsx';
import { ruleOf, type FieldProps } from './wishes/field.ts';
import { HandParameters } from './wishes/HandParameters.tsx';
import { LineField } from './wishes/LineField.tsx';
import { PlaceField } from './wishes/PlaceField.tsx';
import { SliderField } from './wishes/SliderField.tsx';
import { TimeField } from './wishes/TimeField.tsx';

/* What options of dress are called in the form; settings bring their labels. */
const labels: Record<string, string> = { 'fit': 'Fit', 'shape': 'Shape', 'share': 'Share of the width', 'max-width': 'Never wider than', 'align': 'Stands' };
type Options = [value: string, label: string][];
const asInCode: Options[number] = ['', 'As in the code'];
const choices: Record<string, Options> = {
  fit: [asInCode, ['shape', 'Fills its place']],
  align: [asInCode, ['left', 'On the left'], ['centre', 'In the middle'], ['right', 'On the right']],
};
const onOff: Options = [asInCode, ['on', 'Yes'], ['off', 'No']];
const units: Record<string, string> = { 'max-width': 'px', 'width': 'px', 'height': 'px' };
const grid = { display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 2 };
const group = { border: 0, p: 0, m: 0, minWidth: 0 };

interface Props {
  draft: Draft;
  wrong: Record<string, string>;
  /** What stands against the wishes together. */
  problems: Outcome['problems'];
  brought: Outcome['brought'];
  sheet: Sheet | null;
  /** What the code shows, and whether it has a frame or player of its own. */
  reading: Pick<Reading, 'kind' | 'parts'>;
  player: PlayerTime | null;
  onChange: (name: string, value: string | null) => void;
}

/** Settings and dress as a form, in plain words. What the provider does not offer stays visible, and says why. */
export function WishForm({ draft, wrong, problems, brought, sheet, reading, player, onChange }: Props) {
  const fieldOf = (name: string, label: string, explain: string | undefined, example: string): FieldProps => {
    const came = brought.find((b) => b.wish === name);
    return {
      name,
      label,
      value: draft[name] ?? '',
      wrong: wrong[name] ?? problems.find((problem) => problem.wish === name)?.detail,
      help: came ? `${name === 'muted' ? 'Yes, because ' : ''}${came.reason}`.replace(/[^.]$/, '$&.') : explain,
      example: example.replace('%', ' %'),
      onChange: (value) => onChange(name, value),
    };
  };
  const hasFrame = reading.parts.some(({ role }) => role === 'frame' || role === 'media' || role === 'image');
  const everywhere = ({ name }: SettingDefinition): boolean => frameSettings.has(name) || name === 'tracking';
  const offered = (setting: SettingDefinition): boolean =>
    everywhere(setting) ? hasFrame || setting.name === 'tracking' : ruleOf(sheet, setting) !== undefined || (setting.name === 'privacy' && sheet?.quiet !== undefined);
  const fits = ({ kinds }: SettingDefinition): boolean => kinds === 'any' || kinds.includes(reading.kind);
  // In the order of the sheet: what matters most of this provider stands first in it.
  const sheetOrder = Object.keys(sheet?.settings ?? {});
  const place = ({ name }: SettingDefinition): number => (sheetOrder.includes(name) ? sheetOrder.indexOf(name) : sheetOrder.length);
  const ofProvider = settings.filter((setting) => !everywhere(setting) && offered(setting)).sort((a, b) => place(a) - place(b));
  const ofEvery = settings.filter((setting) => everywhere(setting) && offered(setting));
  /* What makes no sense for this kind is not shown; what this provider does not offer is, and says so. */
  const missing = settings.filter((setting) => !everywhere(setting) && !offered(setting) && fits(setting));

  const field = (setting: SettingDefinition) => {
    const rule = ruleOf(sheet, setting);
    const props = fieldOf(setting.name, setting.label, [explained(setting), rule?.note].filter(Boolean).join(' '), setting.example);
    switch (setting.type) {
      case 'time':
        return <TimeField key={setting.name} {...props} player={player} />;
      case 'switch':
        return <ChoiceField key={setting.name} {...props} options={setting.name === 'tracking' ? [asInCode, ['off', 'Taken out'], ['on', 'Kept, whatever the rule']] : onOff} />;
      case 'choice':
        return rule && 'choices' in rule ? (
          <ChoiceField
            key={setting.name}
            {...props}
            options={[asInCode, ...Object.keys(rule.choices).map((word): [string, string] => [word, word.charAt(0).toUpperCase() + word.slice(1)])]}
          />
        ) : null;
      case 'colour':
        return <ColourField key={setting.name} {...props} />;
      case 'number': {
        const { least, most, whole = false } = (rule ?? {}) as { least?: number; most?: number; whole?: boolean };
        return least !== undefined && most !== undefined ? (
          <SliderField key={setting.name} {...props} least={least} most={most} whole={whole} />
        ) : (
          <LineField key={setting.name} {...props} unit={units[setting.name]} />
        );
      }
      case 'coordinates':
        return <PlaceField key={setting.name} {...props} zoom={Number(draft['zoom']) || 13} />;
      case 'text':
        return <LineField key={setting.name} {...props} />;
    }
  };
  const hasHand = Object.keys(draft).some((name) => name.startsWith('parameter.'));
  return (
    <Stack spacing={3}>
      <Stack spacing={2} component="fieldset" sx={group}>
        <Typography variant="h3" component="legend">
          What it does
        </Typography>
        {!sheet && <Typography color="textSecondary">Orbis has no sheet for this provider, so it does not know where its settings go in this code.</Typography>}
        <Box sx={grid}>{[...ofProvider, ...ofEvery].map(field)}</Box>
        {sheet && missing.length > 0 && (
          <Typography variant="body2" color="textSecondary" data-missing={missing.map(({ name }) => name).join(' ')}>
            {sheet.name} does not offer: {missing.map(({ label }) => label).join(' · ')}.
          </Typography>
        )}
        {hasHand ? (
          <HandParameters draft={draft} onChange={onChange} />
        ) : (
          <Unfold label="Set a parameter by hand">
            <HandParameters draft={draft} onChange={onChange} />
          </Unfold>
        )}
      </Stack>
      <Stack spacing={2} component="fieldset" sx={group}>
        <Typography variant="h3" component="legend">
          How it sits on the page
        </Typography>
        <Box sx={grid}>
          {(['fit', 'align', 'max-width', 'share', 'shape'] as const).map((name) => {
            const option = dressNamed(name)!;
            const props = fieldOf(name, labels[name]!, choices[name] ? undefined : option.explain, option.example);
            return choices[name] ? <ChoiceField key={name} {...props} options={choices[name]} /> : <LineField key={name} {...props} unit={units[name]} />;
          })}
        </Box>
      </Stack>
    </Stack>
  );
}

/* A switch says by its label what it is. */
const explained = ({ type, explain }: SettingDefinition): string | undefined => (type === 'switch' || type === 'choice' ? undefined : explain);
