import { doctorCodes, spoken, type Diagnosis, type DoctorState, type Examination } from '@orbis/contract';
import type { AddCommand } from '../command.ts';
import { formatTimestamp, type Colours } from '../text.ts';

export const addDoctor: AddCommand = (program, run) => {
  program
    .command('doctor')
    .description('look whether the installation is well, and what to do where it is not')
    .addHelpText(
      'after',
      `
Examples:
  orbis doctor
  orbis doctor --json

It looks at the database, the disk, the clock, both addresses of Orbis, their certificates, the proxy, mail, the
browser and the safety copies. It ends with 1 where something does not work, or will not for long.`,
    )
    .action(() =>
      run(async (tools) => {
        const { data } = await tools.client().call('doctor.read');
        tools.tell(data, () => describe(data, tools.colours));
        return data.checks.some(({ state }) => state === 'warning' || state === 'fault') ? 1 : 0;
      }),
    );
};

function describe({ at, version, checks }: Examination, colours: Colours): string {
  const wide = Math.max(...checks.map(({ code }) => nameOf(code).length));
  const lines = checks.map(({ code, state, said, todo }) => {
    const name = nameOf(code).padEnd(wide);
    const mark = markOf(state, colours);
    const rest = todo === null ? '' : `\n${' '.repeat(wide + 4)}${colours.dim(todo)}`;
    return `${mark} ${name}  ${said}${rest}`;
  });
  return `${lines.join('\n')}\n\nOrbis ${version}, ${formatTimestamp(at)}.\n`;
}

const nameOf = (code: Diagnosis['code']): string => spoken.doctor.names[doctorCodes[code]];

/* A sign for each state, also where there are no colours. */
const markOf = (state: DoctorState, colours: Colours): string =>
  ({ well: colours.green('+'), note: ' ', warning: colours.yellow('!'), fault: colours.red('x') })[state];
