import { expect } from 'chai';
import type { CDPSession, Page } from 'playwright-core';
import { loopbackFetch, startDemoServer, type DemoServer } from '@orbis/demo';
import { closeBrowser, expectSoon, newWindow } from '../../console/test/support/browser.ts';

interface Player {
  time: number;
  paused: boolean;
  muted: boolean;
  controls: boolean;
}

describe('the stand-in video player', () => {
  let world: DemoServer;
  let page: Page;
  let cdp: CDPSession;
  before(async () => {
    world = await startDemoServer({ port: 0, folder: '/nonexistent' });
    const { context, page: opened } = await newWindow();
    page = opened;
    cdp = await context.newCDPSession(page);
  });
  after(async () => {
    await closeBrowser();
    await world.stop();
  });

  /* Through the protocol itself: what the driver evaluates counts as a click, and would let sound through. */
  const evaluate = async <T>(expression: string): Promise<T> =>
    (await cdp.send('Runtime.evaluate', { expression, userGesture: false, returnByValue: true })).result
      .value as T;
  const look = (): Promise<Player> =>
    evaluate<Player>(
      '(({currentTime:time,paused,muted,controls})=>({time,paused,muted,controls}))(document.querySelector("video"))',
    );
  const open = async (query: string): Promise<void> => {
    await page.goto(`http://play.kinorill.localhost:${world.port}/film/tS9turning${query}`);
    await expectSoon(
      () => evaluate<boolean>('document.querySelector("video").readyState >= 2'),
      'the video is there',
    );
  };

  it('does nothing by itself', async () => {
    await open('');
    await page.waitForTimeout(300);
    expect(await look()).to.deep.equal({ time: 0, paused: true, muted: false, controls: true });
  });

  it('starts where it is told', async () => {
    await open('?from=112');
    await expectSoon(async () => Math.abs((await look()).time - 112) < 0.01, 'at 1:52');
  });

  it('plays by itself when it is silent', async () => {
    await open('?roll=1&hush=1');
    await expectSoon(async () => (await look()).time > 0.3, 'it plays');
    expect(await look()).to.include({ paused: false, muted: true });
  });

  it('does not play by itself with sound: the browser refuses', async () => {
    await open('?roll=1');
    await page.waitForTimeout(800);
    expect(await look()).to.include({ paused: true, muted: false });
  });

  it('stops where it is told, and only there', async () => {
    await open('?roll=1&hush=1&from=20&until=21');
    await expectSoon(async () => (await look()).paused && (await look()).time > 20.5, 'it stops');
    expect((await look()).time).to.be.closeTo(21, 0.05);
    await open('?roll=1&hush=1&from=20');
    await expectSoon(async () => (await look()).time > 21.3, 'without an end it plays on');
  });

  it('begins again when it is told', async () => {
    await open('?roll=1&hush=1&from=20&until=21&again=1');
    await expectSoon(async () => (await look()).time > 20.7, 'near the end');
    await expectSoon(async () => (await look()).time < 20.4, 'at the start again');
    expect((await look()).paused).to.equal(false);
  });

  it('hides its buttons when it is told', async () => {
    await open('?knobs=0');
    expect((await look()).controls).to.equal(false);
  });

  it('says its words in the language that it is told, and wears the colour', async () => {
    const words = (): Promise<string | undefined> =>
      evaluate('document.querySelector(".words")?.textContent');
    await open('');
    expect(await words()).to.equal(undefined);
    await open('?words=1&tongue=de&hue=aa3355');
    expect(await words()).to.equal('Das ist der Himmel über dem Moor.');
    expect(await evaluate('getComputedStyle(document.querySelector(".start")).backgroundColor')).to.equal(
      'rgb(170, 51, 85)',
    );
  });

  it('is served in ranges, so that it can be sought in', async () => {
    const answer = await loopbackFetch()(`http://play.kinorill.localhost:${world.port}/media/sky.webm`, {
      headers: { range: 'bytes=100-199' },
    });
    expect([answer.status, (await answer.arrayBuffer()).byteLength]).to.deep.equal([206, 100]);
  });
});
