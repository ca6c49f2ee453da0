import { bring, expect, typed, type Stop, type Tools } from './tools.ts';

/** It is backed up, a newer version takes over, and the one of before is gone back to. */
export const upgrade = (tools: Tools): Stop[] => [
  [
    'It is backed up while it runs, by settings with quotes too',
    () => {
      const keep = 's/^#ORBIS_COPIES_KEEP=.*/ORBIS_COPIES_KEEP="3d 4w 12m"/';
      tools.run(`sed -i '${keep}' /etc/orbis/orbis.env`);
      return tools.run(typed('Back it up', tools.current)[0]!);
    },
  ],
  [
    'A newer version copies the register, changes it, and goes on',
    () => {
      const { next, run, names, journal } = tools;
      bring(tools, next);
      const kept = names();
      run(typed('A newer version', next)[0]!);
      expect(names() === kept, 'The register is not the one of before.');
      const copies = run('ls /var/backups/orbis');
      expect(copies.includes('before-upgrade'), `There is no copy from before:\n${copies}`);
      return journal('The copy is whole') + copies;
    },
  ],
  [
    'The older version does not touch it',
    () => {
      const { machine, current, journal } = tools;
      const { status } = machine.inside(`/opt/orbis-${current.version}/install\nsystemctl restart orbis`);
      expect(status !== 0, 'The older version started.');
      return journal('This register was last used by');
    },
  ],
  [
    'The copy from before is put back, and the older version goes on with it',
    () => {
      const { current, next, run, names } = tools;
      run(`/opt/orbis-${next.version}/install\nsystemctl reset-failed orbis\nsystemctl restart orbis`);
      run('orbis change embed way-to-us --name "Renamed later"');
      const copy = run('ls /var/backups/orbis')
        .split('\n')
        .findLast((name) => name.includes('before'))!;
      const time = copy.slice('orbis-'.length, -'.tar.gz'.length);
      const [lines = ''] = typed('Put a copy back', current, time);
      const start = 'systemctl start orbis\n';
      const put = run(lines.replace(start, `/opt/orbis-${current.version}/install\n${start}`));
      expect(!names().includes('Renamed later'), 'What came after the copy is still there.');
      expect(names().includes('Way to us'), 'What was in the copy is not there.');
      return put;
    },
  ],
];
