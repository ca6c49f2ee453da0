import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';

const setup = new URL('../setup.mjs', import.meta.url).href;

describe('the set-up', () => {
  it('says exactly which packages are missing where it may not install them', () => {
    // As another user, on a machine where the programs are not to be found.
    const folder = mkdtempSync(join(tmpdir(), 'orbis-setup-'));
    const probe = join(folder, 'probe.mjs');
    writeFileSync(
      probe,
      `import fs from 'node:fs';import { syncBuiltinESMExports } from 'node:module';const exists=fs.existsSync;fs.existsSync=(p)=>!/mariadbd|chromium/.test(String(p))&&exists(p);process.getuid=()=>1000;syncBuiltinESMExports();const{setUp}=await import(${JSON.stringify(setup)});setUp({chromium:true});`,
    );
    const { status, stderr, stdout } = spawnSync(process.execPath, [probe], { encoding: 'utf8' });
    rmSync(folder, { recursive: true });
    expect(status).to.equal(1);
    expect(stdout).to.equal('');
    expect(stderr).to.equal(
      'Missing on this machine: mariadb-server, chromium-headless-shell. Install them as root, on Debian with:\n  apt-get update && apt-get install --yes --no-install-recommends mariadb-server chromium-headless-shell\n',
    );
  });

  it('does nothing where everything is there', () => {
    const { status, stderr } = spawnSync(
      process.execPath,
      ['-e', `import(${JSON.stringify(setup)}).then((m) => m.setUp({ chromium: true }))`],
      { encoding: 'utf8' },
    );
    expect([status, stderr]).to.deep.equal([0, '']);
  });
});
