/* Whether the installation is well, on the command line. */
import { expect } from 'chai';
import { startTestOrbis } from '../../service/test/support/orbis.ts';
import { typedAt } from './support.ts';

describe('the command line, of the installation', () => {
  it('says of each thing whether it is well, and what to do, and ends with 1 where something is not', async () => {
    const test = await startTestOrbis({ env: { ORBIS_SMTP_URL: 'smtp://127.0.0.1:1' } });
    const told = await typedAt(test)('doctor');
    expect(told.exit).to.equal(1);
    expect(told.out)
      .to.match(/^\+ Database +It answers in \d+ ms \(.*MariaDB.*\)\.$/m)
      .and.match(/^\+ Clock +This machine and the database have the same time\.$/m)
      .and.match(
        /^x Mail +The mail server does not take mail: .*\n +See that ORBIS_SMTP_URL has its address/m,
      )
      .and.match(/^! Safety copies +No safety copies are made/m)
      .and.match(/\n\nOrbis 0\.1\.0, .*\.\n$/);
    const json = JSON.parse((await typedAt(test)('doctor --json')).out) as { checks: { code: string }[] };
    expect(json.checks.map(({ code }) => code)).to.include('mail-fault');
    await test.stop();
  });
});
