import { spawnSync } from 'node:child_process';
import { copyFileSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect } from 'chai';
import { listServiceSettings } from '@orbis/contract';
import { readSettings } from '@orbis/service';
import { environmentFile } from '../package/environment-file.mjs';

const packaging = fileURLToPath(new URL('../../packaging/', import.meta.url));

describe('the archive', () => {
  describe('its file of settings', () => {
    const lines = environmentFile().split('\n');
    const settings = listServiceSettings().filter(({ name }) => name !== 'ORBIS_DATA');

    it('has every setting once, below what it means', () => {
      for (const { name, meaning } of settings) {
        const at = lines.findIndex((line) => line.replace(/^#/, '').startsWith(`${name}=`));
        expect(at, name).to.be.greaterThan(0);
        const above = lines.slice(lines.lastIndexOf('', at) + 1, at).map((line) => line.slice(2));
        expect(above.join(' ')).to.equal(`${meaning}.`);
      }
      expect(lines.filter((line) => /^#?ORBIS_/.test(line))).to.have.length(settings.length);
      expect(lines.filter((line) => line.length > 110)).to.deep.equal([]);
    });

    it('sets where copies go, and nothing else; what stands behind a # is what holds', () => {
      const set = lines.filter((line) => /^ORBIS_/.test(line));
      expect(set).to.deep.equal(['ORBIS_COPIES_TO=/var/backups/orbis']);
      const fallback = readSettings({}, '/');
      const said = Object.fromEntries(
        lines
          .filter((line) => /^#ORBIS_\w+=./.test(line))
          .map((line) => line.slice(1).split(/=(.*)/s).slice(0, 2) as [string, string])
          .map(([name, value]) => [name, value.replace(/^"(.*)"$/, '$1')]),
      );
      expect(readSettings(said, '/')).to.deep.equal(fallback);
    });
  });

  describe('its units', () => {
    const root = mkdtempSync(join(tmpdir(), 'orbis-units-'));
    const units = join(root, 'etc/systemd/system');

    before(() => {
      for (const unit of ['orbis', 'orbis@']) {
        mkdirSync(join(units, `${unit}.service.d`), { recursive: true });
        copyFileSync(join(packaging, `${unit}.service`), join(units, `${unit}.service`));
        copyFileSync(join(packaging, '10-sandbox.conf'), join(units, `${unit}.service.d/10-sandbox.conf`));
      }
    });
    after(() => rmSync(root, { recursive: true }));

    for (const unit of ['orbis.service', 'orbis@frames.service'])
      it(`let ${unit} do little: systemd judges its exposure to be at most 2.5 of 10`, () => {
        const { status, stdout, stderr } = spawnSync(
          'systemd-analyze',
          ['security', '--no-pager', '--offline=true', `--root=${root}`, '--threshold=25', unit],
          { encoding: 'utf8' },
        );
        expect(status, stdout + stderr).to.equal(0);
      });

    it('start what is in the archive, and name the manual that is in it', () => {
      for (const unit of ['orbis.service', 'orbis@.service']) {
        const text = readFileSync(join(packaging, unit), 'utf8');
        expect(text).to.match(/^ExecStart=node \/opt\/orbis\/service\/dist\/programs\/main\.mjs/m);
        expect(text).to.include('file:///opt/orbis/docs/install.md');
      }
    });
  });

  it('asks for root before it does anything', () => {
    for (const program of ['install', 'remove']) {
      const { status, stdout, stderr } = spawnSync(
        'setpriv',
        ['--reuid=65534', '--clear-groups', 'sh', '-s'],
        // Read by this process: whoever owns nothing may not pass on the way to a checkout.
        { encoding: 'utf8', cwd: '/', input: readFileSync(join(packaging, program)) },
      );
      expect([status, stdout]).to.deep.equal([1, '']);
      expect(stderr).to.include('as root');
    }
  });

  it('says how the programs of the server are called', () => {
    const { status, stderr } = spawnSync('sh', [join(packaging, 'orbis-admin'), 'back-up'], {
      encoding: 'utf8',
    });
    expect(status).to.equal(2);
    expect(stderr).to.match(/^orbis-admin backup \| restore \| reset-password \| settings\n/);
  });
});
