import type { Option, Sheet, TypeName } from '@orbis/core';
import { capital, optionWords, spoken } from '@orbis/contract/language';
import type { ReactElement } from 'react';
import type { PlayerTime } from '../player-time.ts';
import { ChoiceField } from './ChoiceField.tsx';
import { ColourField } from './ColourField.tsx';
import { boundsOf, wordsOf, type FieldProps } from './field.ts';
import type { CodePart } from '../compose.ts';
import { LineField } from './LineField.tsx';
import { PartsField } from './PartsField.tsx';
import { PlaceField } from './PlaceField.tsx';
import { SliderField } from './SliderField.tsx';
import { TimeField } from './TimeField.tsx';

/** What a field may need beside its own value. */
export interface FieldContext {
  sheet: Sheet | null;
  player: PlayerTime | null;
  /** How close in a map is, for the steps by which its place is moved. */
  zoom: number;
  /** The parts that the code could do without; undefined until it was read. */
  parts?: readonly CodePart[] | undefined;
}

type Words = readonly (readonly [value: string, label: string])[];
const onOff: Record<string, string> = { on: 'Yes', off: 'No' };

const choices = (option: Option, words: readonly string[], inherited: FieldProps['inherited']): Words => {
  const called =
    option.own?.labels ?? optionWords(option.name).words ?? (option.type.name === 'switch' ? onOff : {});
  const say = (word: string): string => called[word] ?? capital(word);
  const unset =
    inherited === null
      ? 'As in the code'
      : `${say(inherited.value)}${inherited.from === spoken.levels.code ? `, ${inherited.from}` : ''}`;
  return [['', unset], ...words.map((word) => [word, say(word)] as const)];
};

/* One field a type: an option brings only its words and its limits. */
const fields: Record<TypeName, (props: FieldProps, option: Option, context: FieldContext) => ReactElement> = {
  time: (props, _, { player }) => <TimeField {...props} player={player} />,
  switch: (props, option) => (
    <ChoiceField {...props} options={choices(option, ['on', 'off'], props.inherited)} />
  ),
  choice: (props, option, { sheet }) => (
    <ChoiceField {...props} options={choices(option, wordsOf(option, sheet), props.inherited)} />
  ),
  colour: (props) => <ColourField {...props} />,
  number: (props, option, { sheet }) => {
    const { least, most, whole = false } = boundsOf(option, sheet) ?? {};
    return least === undefined || most === undefined ? (
      <LineField {...props} unit={option.type.limits.unit} />
    ) : (
      <SliderField {...props} least={least} most={most} whole={whole} />
    );
  },
  coordinates: (props, _, { zoom }) => <PlaceField {...props} zoom={zoom} />,
  text: (props) => <LineField {...props} />,
  ratio: (props) => <LineField {...props} />,
  length: (props) => <LineField {...props} />,
  address: (props) => <LineField {...props} isAddress />,
  picture: (props) => <LineField {...props} isAddress />,
  list: (props, { type: { limits } }, { parts }) =>
    limits.parts ? <PartsField {...props} parts={parts} /> : <LineField {...props} isWide />,
  heights: (props) => <LineField {...props} />,
};

/** The field of an option, made from its type. */
export const OptionField = ({
  option,
  context,
  ...props
}: FieldProps & { option: Option; context: FieldContext }): ReactElement =>
  fields[option.type.name](props, option, context);
