import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { until } from '../../service/test/support/until.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

describe('an owner who takes everything along', () => {
  let one: TestOrbis;
  let other: TestOrbis;
  before(async () => {
    [one, other] = [await startTestOrbis(), await startTestOrbis()];
    const text = talkCode(one.world.port);
    await one.client.call('embeds.create', { body: { name: 'Opening talk', text } });
  });
  after(async () => {
    await closeBrowser();
    await one.stop();
    await other.stop();
  });
  const account = async ({ orbis, url }: TestOrbis): Promise<Awaited<ReturnType<typeof newWindow>>> => {
    const window = await newWindow();
    await window.page.goto(await orbis.link('sign-in'));
    await window.page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await window.page.goto(`${url}/account`);
    return window;
  };

  it('has it in a file, and takes that into another Orbis, once', async () => {
    const from = await account(one);
    const coming = from.page.waitForEvent('download');
    await from.page.getByRole('link', { name: 'Take everything out' }).click();
    const buffer = readFileSync(await (await coming).path());
    const file = { name: 'register.ndjson', mimeType: 'application/x-ndjson', buffer };
    expect((await coming).suggestedFilename()).to.match(/^orbis-\d{4}-\d\d-\d\d\.ndjson$/);
    expect(buffer.toString()).to.match(
      /"type":"embed","key":"opening-talk".*\{"type":"end","lines":\d+\}\n$/s,
    );
    await from.context.close();

    const to = await account(other);
    await to.page.getByLabel('A register file').setInputFiles(file);
    await until(async () => {
      const { data } = await other.client.call('embeds.list', { query: {} });
      return data.items.some(({ key }) => key === 'opening-talk');
    });
    await to.page.getByLabel('A register file').setInputFiles(file);
    await to.page.getByText('A whole register is taken in where there is none yet').waitFor();
    await to.context.close();
  });
});
