import { Command, CommanderError } from 'commander';
import { ApiError, catalogue, OrbisError, type ErrorCode, type FieldError } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from './command.ts';
import { addPassword } from './commands/account/password.ts';
import { addSessions } from './commands/account/sessions.ts';
import { addTokens } from './commands/account/tokens.ts';
import { addAdjust } from './commands/adjust.ts';
import { addChange } from './commands/change.ts';
import { addCollect } from './commands/collect.ts';
import { addHarvest } from './commands/harvest.ts';
import { addImport } from './commands/import.ts';
import { addList } from './commands/list.ts';
import { addLogin } from './commands/login.ts';
import { addPlace } from './commands/place.ts';
import { addPlaces } from './commands/places.ts';
import { addProviders } from './commands/providers/index.ts';
import { addRead } from './commands/read.ts';
import { addRenew } from './commands/renew.ts';
import { addRevisions } from './commands/revisions.ts';
import { addUndo } from './commands/undo.ts';
import { addPresets } from './commands/presets.ts';
import { addRules } from './commands/rules.ts';
import { addSet } from './commands/set.ts';
import { addOptions } from './commands/options.ts';
import { addOpen } from './commands/open.ts';
import { addPlan } from './commands/plan.ts';
import { addSite } from './commands/site.ts';
import { addShow } from './commands/show.ts';
import { addStatus } from './commands/status.ts';
import { addSweep } from './commands/sweep.ts';
import { addWhere } from './commands/where.ts';
import { connect } from './connection.ts';
import type { Exit, Io } from './io.ts';
import { forTerminal } from './terminal.ts';
import { coloursFor } from './text.ts';
import { wayOut } from './way-out.ts';

/* In the order of the work. */
const commands: AddCommand[] = [
  addCollect,
  addHarvest,
  addImport,
  addRead,
  addAdjust,
  addSet,
  addPlan,
  addSite,
  addOptions,
  addPresets,
  addUndo,
  addPlaces,
  addPlace,
  addSweep,
  addWhere,
  addList,
  addShow,
  addStatus,
  addOpen,
  addChange,
  addRenew,
  addRevisions,
  addProviders,
  addRules,
  addLogin,
  addPassword,
  addSessions,
  addTokens,
];

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

/** Runs one command line; nothing is written and nothing ended but through what is handed in. */
export async function orbis(args: readonly string[], given: Io): Promise<Exit> {
  const io: Io = {
    ...given,
    // What goes elsewhere than to a terminal stays as it is, to the last byte.
    out: (text) => given.out(given.outIsTerminal ? forTerminal(text) : text),
    err: (text) => given.err(given.errIsTerminal ? forTerminal(text) : text),
  };
  let exit: Exit = 0;
  const program = new Command('orbis');
  program
    .description(
      'Keeps the embed codes of your websites: reads them, adjusts them, says what to paste where, and checks the published pages.',
    )
    .option('--json', 'print the data of the interface instead of text')
    .addHelpText('after', `\n${endings}\n${environment}`)
    .version('0.1.0')
    .exitOverride()
    .showHelpAfterError('(“orbis COMMAND --help” shows how it is used)')
    .configureOutput({
      writeOut: io.out,
      writeErr: io.err,
      getOutHelpWidth: () => io.width,
      getErrHelpWidth: () => io.width,
    });
  const run = async (action: (tools: Tools) => Promise<Exit>): Promise<void> => {
    const json = args.includes('--json');
    let made: ReturnType<typeof connect> | null = null;
    const tools: Tools = {
      io,
      json,
      colours: coloursFor(io),
      client: () => (made ??= connect(io)),
      tell: (data, text) => io.out(json ? `${JSON.stringify(data, null, 2)}\n` : text()),
    };
    exit = await action(tools);
  };
  for (const add of commands) add(program, run);
  for (const command of everyCommand(program))
    if (command.commands.length === 0)
      command.option('--json', 'print the data of the interface instead of text');
  try {
    await program.parseAsync([...args], { from: 'user' });
    return exit;
  } catch (error) {
    return failed(error, io, args.includes('--json'));
  }
}

function everyCommand(command: Command): Command[] {
  return command.commands.flatMap((inner) => [inner, ...everyCommand(inner)]);
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
