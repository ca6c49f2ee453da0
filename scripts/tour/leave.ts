import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect, typed, type Stop, type Tools } from './tools.ts';

/* What changes in every machine, whatever is installed: what the kernel shows, what is there until the next
   start, logs, the caches of others, and the copies that Debian keeps of its lists of users. */
const passing = [
  ...['/proc/', '/sys/', '/dev/', '/run/', '/tmp/', '/var/log/', '/var/cache/', '/var/tmp/'],
  ...['/var/lib/systemd/', '/var/lib/apt/', '/etc/.pwd.lock'],
  ...['passwd', 'group', 'shadow', 'gshadow', 'subuid', 'subgid'].map((name) => `/etc/${name}-`),
];

/** Notes what is there before Orbis, and removes Orbis until just that is there. */
export function leave(tools: Tools): { note: Stop; remove: Stop } {
  const { folder, run, current } = tools;
  const accounts = (): string => run('cat /etc/passwd /etc/group');
  let before = { files: new Set<string>(), accounts: '' };
  return {
    note: [
      'What is there before it is noted',
      () => void (before = { files: filesOf(folder), accounts: accounts() }),
    ],
    remove: [
      'It is removed, and nothing is left',
      () => {
        run(`${typed('Take it away', current)[0]!.trim()} --with-data`);
        run('rm -rf orbis-*.tar.gz code.html .config');
        const left = [...filesOf(folder)].filter((path) => !before.files.has(path) && !isPassing(path));
        expect(left.length === 0, `There is left:\n${left.join('\n')}`);
        expect(accounts() === before.accounts, `There are other users:\n${accounts()}`);
        return run('pgrep --exact "mariadbd|node" || echo No process of it runs.');
      },
    ],
  };
}

const isPassing = (path: string): boolean => passing.some((start) => path.startsWith(start));

/* Every file and folder of a machine in a folder, by its path there. */
const filesOf = (folder: string): Set<string> =>
  new Set(
    readdirSync(folder, { recursive: true, withFileTypes: true }).map((entry) =>
      join('/', join(entry.parentPath, entry.name).slice(folder.length)),
    ),
  );
