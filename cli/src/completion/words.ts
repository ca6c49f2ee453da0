import type { Command } from 'commander';
import { allOptions } from '@orbis/core';
import { optionWords } from '@orbis/contract';

/** A word that can be typed next, and what it does. */
export interface Word {
  word: string;
  meaning: string;
}

/** What can be typed behind some words: `list embeds`. */
export interface Place {
  /** The words before, without switches; empty behind the program’s own name. */
  path: string;
  words: readonly Word[];
  /** The values that switches take, where they are known. */
  values: Readonly<Record<string, readonly string[]>>;
}

/** Everything that can be typed, place by place. */
export function wordsOf(command: Command, path = ''): Place[] {
  const inner = command.commands.filter((each) => each.name() !== 'help');
  return [
    {
      path,
      words: [...inner.map(asWord), ...argumentsOf(command), ...switchesOf(command)],
      values: valuesOf(command),
    },
    ...inner.flatMap((each) => wordsOf(each, `${path} ${each.name()}`.trim())),
  ];
}

const asWord = (command: Command): Word => ({ word: command.name(), meaning: command.description() });

const switchesOf = (command: Command): Word[] =>
  command.options.map(({ long, description }) => ({ word: long!, meaning: description }));

/* Words that an argument is one of; options of embeds are typed as name=value. */
const argumentsOf = (command: Command): Word[] =>
  command.registeredArguments.flatMap((argument) => [
    ...(argument.argChoices ?? []).map((word) => ({ word, meaning: argument.description })),
    ...(/^(?:options|values)$/.test(argument.name())
      ? allOptions.map(({ name }) => ({ word: `${name}=`, meaning: optionWords(name).label }))
      : []),
  ]);

const valuesOf = (command: Command): Record<string, readonly string[]> =>
  Object.fromEntries(
    command.options.flatMap(({ long, argChoices }) => (argChoices ? [[long!, argChoices]] : [])),
  );
