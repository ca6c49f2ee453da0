import { copyFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { blocksOf } from '../test/support/blocks.ts';
import type { BareMachine } from './bare-machine.ts';
import type { Package } from './packages.ts';

/** A stop of the tour: its name, and what goes through it and says what was seen. */
export type Stop = [name: string, pass: () => string | void | Promise<string | void>];

/** What every stop works with. */
export interface Tools {
  machine: BareMachine;
  folder: string;
  current: Package;
  next: Package;
  /** What is printed by lines of shell that have to end well. */
  run(lines: string, input?: string): string;
  /** The names of all embeds, as the command line gives them. */
  names(): string;
  /** The last line of the unit’s journal that has a word in it. */
  journal(having: string): string;
  mainProcess(): string;
}

/** @throws Error with what was printed, where lines end otherwise. */
export function toolsFor(around: Pick<Tools, 'machine' | 'folder' | 'current' | 'next'>): Tools {
  const run: Tools['run'] = (lines, input) => {
    const { status, stdout, stderr } = around.machine.inside(lines, input);
    if (status !== 0) throw new Error(`“${lines.trim()}” ended with ${status}:\n${stdout}${stderr}`);
    return stdout;
  };
  return {
    ...around,
    run,
    names: () => run('orbis list embeds --json'),
    journal: (having) => {
      const lines = run('journalctl --unit orbis --output cat --no-pager').split('\n');
      return `${lines.findLast((line) => line.includes(having)) ?? `(nothing about “${having}”)`}\n`;
    },
    mainProcess: () => run('systemctl show orbis --property MainPID --value').trim(),
  };
}

/** @throws Error with the sentence, where something does not hold. */
export function expect(holds: boolean, sentence: string): void {
  if (!holds) throw new Error(sentence);
}

/**
 * The blocks to be typed below a heading of docs/install.md, word by word but for what stands there for a
 * version and for the time of a copy.
 */
export const typed = (heading: string, { version }: Package, time = ''): string[] =>
  blocksOf('docs/install.md')
    .filter((block) => block.heading === heading)
    .map(({ script }) => script.replaceAll('VERSION', version).replaceAll('TIME', time));

/** Brings an archive to where the lines look for it. */
export const bring = ({ folder }: Tools, { archive }: Package): void =>
  copyFileSync(archive, join(folder, 'root', basename(archive)));

/** Waits until the unit has another main process than before, and that one answers. */
export async function comesBack({ machine }: Tools, than: string): Promise<void> {
  const lines = 'systemctl is-active --quiet orbis && systemctl show orbis --property MainPID --value';
  for (let i = 0; i < 600; i++) {
    const { status, stdout } = machine.inside(lines);
    if (status === 0 && stdout.trim() !== than && stdout.trim() !== '0') return;
    await wait(250);
  }
  throw new Error('It did not come back.');
}
