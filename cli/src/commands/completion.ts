import { Argument } from 'commander';
import type { AddCommand } from '../command.ts';
import { bashScript } from '../completion/bash.ts';
import { fishScript } from '../completion/fish.ts';
import { wordsOf, type Place } from '../completion/words.ts';
import { zshScript } from '../completion/zsh.ts';

const scripts: Record<string, (places: readonly Place[]) => string> = {
  bash: bashScript,
  zsh: zshScript,
  fish: fishScript,
};

export const addCompletion: AddCommand = (program, run) => {
  program
    .command('completion')
    .addArgument(new Argument('<shell>', 'the shell that you type in').choices(Object.keys(scripts)))
    .description('print the script by which a shell completes commands, switches and options')
    .addHelpText(
      'after',
      `
Examples:
  orbis completion bash > ~/.local/share/bash-completion/completions/orbis
  orbis completion zsh > "\${fpath[1]}/_orbis"
  orbis completion fish > ~/.config/fish/completions/orbis.fish`,
    )
    .action((shell: string) =>
      run((tools) => {
        tools.io.out(scripts[shell]!(wordsOf(program)));
        return Promise.resolve(0);
      }),
    );
};
