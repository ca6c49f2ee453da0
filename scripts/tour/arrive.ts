import { createClient } from '@orbis/contract';
import { loopbackFetch } from '@orbis/demo';
import { bring, expect, typed, type Stop, type Tools } from './tools.ts';

const password = 'seven owls over the fell';
const code =
  '<div id="way" style="height:20em"></div><script>document.getElementById("way").style.background = "teal";</script>';

/** Debian’s packages, before which nothing of Orbis is there. */
export const packagesArrive = (tools: Tools): Stop => [
  'Debian’s packages are installed',
  () => {
    bring(tools, tools.current);
    const [packages = ''] = linesOf(tools);
    tools.run('apt-get update --quiet=2');
    tools.run(`DEBIAN_FRONTEND=noninteractive ${packages} >/dev/null 2>&1`);
  },
];

/** Orbis is installed, signed in to, and used. */
export const arrive = (tools: Tools): Stop[] => [
  ['Orbis is installed and started by the lines', () => tools.run(linesOf(tools).slice(1).join('\n'))],
  [
    'Nothing of it runs as root',
    () => {
      const all = tools.run('ps -eo user=,args=').split('\n');
      const ours = all.filter((line) => /\/opt\/orbis|mariadbd/.test(line));
      expect(ours.length >= 2, `It does not run:\n${all.join('\n')}`);
      expect(
        ours.every((line) => line.startsWith('orbis ')),
        `Not all of it is the user’s:\n${ours.join('\n')}`,
      );
      return tools.run('systemctl status orbis --no-pager --lines 0');
    },
  ],
  [
    'Its link sets the password, and the command line signs in',
    async () => {
      const secret = /set-password#(\S+)/.exec(tools.run(typed('Four lines', tools.current)[1]!))![1]!;
      const client = createClient({ url: 'http://orbis.localhost:7420', fetch: loopbackFetch() });
      await client.call('password.set', { body: { secret, password, name: 'Hollin Fell' } });
      return tools.run('orbis login http://orbis.localhost:7420 --password-stdin', `${password}\n`);
    },
  ],
  [
    'A code is collected, and its picture is taken in the sandbox',
    () => {
      tools.run('cat >code.html && orbis collect code.html --name "Way to us"', code);
      return tools.run('orbis picture way-to-us');
    },
  ],
  ['It finds itself well', () => tools.run(typed('Four lines', tools.current)[2]!)],
];

const linesOf = ({ current }: Tools): string[] => typed('Four lines', current)[0]!.trim().split('\n');
