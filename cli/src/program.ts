import { Command, CommanderError, Help } from 'commander';
import {
  ApiError,
  catalogue,
  OrbisError,
  spoken,
  type ErrorCode,
  type FieldError,
  type Rights,
} from '@orbis/contract';
import { UsedWrongly, type Run, type Tools } from './command.ts';
import { connect, keptRights } from './connection.ts';
import { addCommands, everyCommand } from './grammar.ts';
import type { Exit, Io } from './io.ts';
import { forTerminal } from './terminal.ts';
import { isOfUse } from './needs.ts';
import { coloursFor } from './text.ts';
import { version } from './version.ts';
import { wayOut } from './way-out.ts';

const endings = `Exit status:
  0  done
  1  done, and something needs a look: an error in a code, a page that is not as it should be, a difference
  2  used wrongly, or what was given does not fit: nothing was done
  3  Orbis, a page or a provider could not be reached
  4  refused: it is in use, was changed by somebody else, or you may not do it`;

const environment = `Environment:
  ORBIS_URL    where Orbis is, in the place of what “orbis login” keeps
  ORBIS_TOKEN  the token that is used there
  NO_COLOR     no colours, whatever it is set to`;

/**
 * The program with all its commands, as they are typed; `run` is what a command does where it is called.
 *
 * @param rights - what whoever asks for help may do, where that is known: it shows no more.
 */
export function makeProgram(
  io: Pick<Io, 'out' | 'err' | 'width'>,
  run: Run,
  rights: Rights<string> | null = null,
): Command {
  const program = new Command('orbis');
  program
    .description(
      'Keeps the embed codes of your websites: reads them, adjusts them, says what to paste where, and checks the published pages.',
    )
    .usage('VERB [THING] [name=value …] [--switches]')
    .addHelpText('after', `\n${endings}\n\n${environment}`)
    .version(version, '-V, --version', 'print the version')
    .configureHelp({ subcommandTerm, visibleCommands: (command) => ofUse(command, rights) })
    .addHelpText('after', () => leftOut(program, rights))
    .exitOverride()
    .showHelpAfterError('(“orbis COMMAND --help” shows how it is used)')
    .configureOutput({
      writeOut: io.out,
      writeErr: io.err,
      getOutHelpWidth: () => io.width,
      getErrHelpWidth: () => io.width,
    });
  addCommands(program, run);
  for (const command of allCommands(program)) {
    command.helpOption('-h, --help', 'show how it is used');
    if (command.commands.length > 0) command.helpCommand('help [command]', 'show how a command is used');
  }
  for (const command of [program, ...everyCommand(program).map((each) => each.command)])
    command
      .option('--json', 'print the data of the interface instead of text')
      .option(
        '--quiet',
        'print what was asked for alone: no notes, no progress, nothing that says it was done',
      );
  return program;
}

/* Of commands, those with which whoever asks can do something. */
const ofUse = (command: Command, rights: Rights<string> | null): Command[] =>
  new Help().visibleCommands(command).filter((each) => isAnyOfUse(each, rights));

const isAnyOfUse = (command: Command, rights: Rights<string> | null): boolean =>
  command.commands.length === 0
    ? isOfUse(pathTo(command), rights)
    : command.commands.some((inner) => isAnyOfUse(inner, rights));

const pathTo = (command: Command): string =>
  command.parent?.parent ? `${pathTo(command.parent)} ${command.name()}` : command.name();

/* What is left out of a help that is made for somebody. */
function leftOut(program: Command, rights: Rights<string> | null): string {
  const names = program.commands.filter((each) => !isAnyOfUse(each, rights)).map((each) => each.name());
  return names.length === 0
    ? ''
    : `\nNot shown, as you are ${spoken.people.grants(rights!)}: ${names.join(', ')}. “orbis me” says whom to ask.`;
}

/* A command in a list of them: with what it takes, without saying of each that it has switches. */
const subcommandTerm = (command: Command): string =>
  [
    command.name(),
    ...command.registeredArguments.map((argument) => {
      const name = `${argument.name()}${argument.variadic ? '...' : ''}`;
      return argument.required ? `<${name}>` : `[${name}]`;
    }),
  ].join(' ');

const allCommands = (command: Command): Command[] => [command, ...command.commands.flatMap(allCommands)];

/** Runs one command line; nothing is written and nothing ended but through what is handed in. */
export async function orbis(args: readonly string[], given: Io): Promise<Exit> {
  const io: Io = {
    ...given,
    // What goes elsewhere than to a terminal stays as it is, to the last byte.
    out: (text) => given.out(given.outIsTerminal ? forTerminal(text) : text),
    err: (text) => given.err(given.errIsTerminal ? forTerminal(text) : text),
  };
  let exit: Exit = 0;
  const tools = toolsFor(args, io);
  const program = makeProgram(
    io,
    async (action) => {
      exit = await action(tools);
    },
    keptRights(io),
  );
  try {
    await program.parseAsync([...args], { from: 'user' });
    return exit;
  } catch (error) {
    return failed(error, io, tools.json);
  }
}

function toolsFor(args: readonly string[], io: Io): Tools {
  const [json, quiet] = [args.includes('--json'), args.includes('--quiet')];
  let made: ReturnType<typeof connect> | null = null;
  const tell: Tools['tell'] = (data, text) => io.out(json ? `${JSON.stringify(data, null, 2)}\n` : text());
  return {
    io,
    json,
    quiet,
    colours: coloursFor(io),
    client: () => (made ??= connect(io)),
    tell,
    confirm: (data, text) => {
      if (json || !quiet) tell(data, text);
    },
    note: (text) => {
      if (!json && !quiet) io.err(text);
    },
  };
}

function failed(error: unknown, io: Io, json: boolean): Exit {
  if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : 2;
  if (error instanceof UsedWrongly) {
    io.err(`${error.message}\n`);
    return 2;
  }
  if (error instanceof OrbisError) {
    io.err(json ? `${JSON.stringify({ code: error.code, detail: error.message })}\n` : `${error.message}\n`);
    return catalogue[error.code].exit;
  }
  if (error instanceof ApiError) {
    io.err(
      json
        ? `${JSON.stringify(error.problem)}\n`
        : `${[error.message, wayOut(error.problem)].filter((words) => words !== null).join(' ')}\n${(
            error.problem.errors ?? []
          )
            .filter((e) => !error.message.includes(e.detail.replace(/\.$/, '')))
            .map((e) => `  ${nameOf(e)}: ${e.detail}\n`)
            .join('')}`,
    );
    return exitOf(error.code);
  }
  throw error;
}

const nameOf = ({ pointer, parameter, embed }: FieldError): string =>
  embed ?? parameter ?? pointer?.replace(/^\/(?:options\/)?/, '') ?? 'the request';

/* A service that is newer than this program may answer codes that nobody here knows. */
function exitOf(code: string): Exit {
  return Object.hasOwn(catalogue, code) ? catalogue[code as ErrorCode].exit : 3;
}
