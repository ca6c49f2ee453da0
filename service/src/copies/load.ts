import { once } from 'node:events';
import { talkTo } from './database-client.ts';

/** Something that takes SQL, piece by piece. */
export interface Loading {
  sql(bytes: Buffer): Promise<void>;
  /** @throws CannotCopy where a statement was refused. */
  end(): Promise<void>;
  /** Leaves it as it is by now. */
  leave(): void;
}

/** Loads a dump into a database. */
export function loadInto(url: string, signal?: AbortSignal): Loading {
  const { child, ended } = talkTo(url, 'mariadb', ['--batch'], signal);
  child.stdout.resume();
  return {
    sql: async (bytes) => {
      if (child.stdin.write(bytes)) return;
      await Promise.race([once(child.stdin, 'drain'), ended]);
    },
    end: async () => {
      child.stdin.end();
      await ended;
    },
    leave: () => void child.kill('SIGKILL'),
  };
}
