// The file of settings that comes with the archive.
import { listServiceSettings } from '@orbis/contract';

/* What a machine of its own begins with. */
const set = { ORBIS_COPIES_TO: '/var/backups/orbis' };
/* It stands in the unit, which makes that folder. */
const elsewhere = ['ORBIS_DATA'];

const head = `# The settings of Orbis, read by systemd: a name and a value in each line.
# With a # before it one is not set, and what it shows holds. After a change: systemctl restart orbis
`;

/** Every setting with what it means, in lines of at most 110 characters; only the folder of copies is set. */
export function environmentFile() {
  const entries = listServiceSettings()
    .filter(({ name }) => !elsewhere.includes(name))
    .map(({ name, meaning, default: fallback }) => {
      const value = set[name] ?? fallback;
      const line = `${name}=${/\s/.test(value) ? JSON.stringify(value) : value}`;
      return `${wrapped(`${meaning}.`)}\n${name in set ? '' : '#'}${line}\n`;
    });
  return [head, ...entries].join('\n');
}

const wrapped = (text) =>
  text
    .split(' ')
    .reduce(
      (lines, word) =>
        `${lines.at(-1)} ${word}`.length > 110
          ? [...lines, `# ${word}`]
          : [...lines.slice(0, -1), `${lines.at(-1)} ${word}`],
      ['#'],
    )
    .join('\n');
