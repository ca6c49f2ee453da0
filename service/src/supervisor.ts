import { spawn } from 'node:child_process';

/** What systemd is told of this process (sd_notify(3)); nothing where it was not started by systemd. */
export interface Supervisor {
  /** One line on how it goes, as `systemctl status` shows it. */
  status(sentence: string): void;
  /** It answers from now on, and is ended where it stands still (`WatchdogSec=`). */
  ready(sentence: string): void;
  stopping(): void;
}

type Send = (assignments: readonly string[]) => void;
type Environment = Record<string, string | undefined>;

/**
 * Takes from the environment whether systemd wants to hear of this process, and how often it has to. Nothing
 * of it is left there: the database is a child of this process, and would say that it is ready in our stead.
 * @param sendTo sends assignments such as `READY=1` to a socket; by systemd's own program as usual, since
 *   Node has no datagram sockets of a machine.
 */
export function supervisorIn(env: Environment, sendTo: (socket: string) => Send = sendByProgram): Supervisor {
  const { NOTIFY_SOCKET: socket } = env;
  const every = watchedEvery(env);
  delete env['NOTIFY_SOCKET'];
  delete env['WATCHDOG_USEC'];
  delete env['WATCHDOG_PID'];
  if (!socket) return { status: () => undefined, ready: () => undefined, stopping: () => undefined };
  const send = sendTo(socket);
  let beat: NodeJS.Timeout | undefined;
  return {
    status: (sentence) => send([statusOf(sentence)]),
    ready: (sentence) => {
      send(['READY=1', statusOf(sentence)]);
      // From the loop that answers requests: where that stands still, nothing is sent.
      if (every !== null) beat = setInterval(() => send(['WATCHDOG=1']), every).unref();
    },
    stopping: () => {
      clearInterval(beat);
      send(['STOPPING=1', statusOf('Stopping.')]);
    },
  };
}

/* Half of the time within which it has to be heard of, in milliseconds, as sd_watchdog_enabled(3) advises;
   null where nobody watches, or watches another process. */
function watchedEvery(env: Environment): number | null {
  const microseconds = Number(env['WATCHDOG_USEC']);
  if (!(microseconds > 0)) return null;
  const { WATCHDOG_PID: watched = String(process.pid) } = env;
  return watched === String(process.pid) ? microseconds / 2000 : null;
}

/* Each assignment is a line. */
const statusOf = (sentence: string): string => `STATUS=${sentence.replace(/\s+/g, ' ').trim()}`;

function sendByProgram(socket: string): Send {
  return (assignments) => {
    const env = { PATH: process.env['PATH'], NOTIFY_SOCKET: socket };
    const child = spawn('systemd-notify', [...assignments], { stdio: 'ignore', env });
    // systemd ends what it does not hear of: there is nobody else to tell.
    child.on('error', () => undefined);
    child.unref();
  };
}
