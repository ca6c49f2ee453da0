import type { Page } from 'playwright-core';
import type { TestOrbis } from '../../../service/test/support/orbis.ts';
import { newWindow } from './browser.ts';

/** A window in which the owner has opened an embed. */
export async function openedEmbed(
  { orbis, url }: Pick<TestOrbis, 'orbis' | 'url'>,
  embed: string,
): ReturnType<typeof newWindow> {
  const window = await newWindow();
  await window.page.goto(await orbis.link('sign-in'));
  await window.page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
  await window.page.goto(`${url}/collection/${embed}`);
  return window;
}

/** Opens a step of the work on an embed, which closes the one that was open. */
export const openStep = (page: Page, title: string): Promise<void> =>
  page.getByRole('button', { name: new RegExp(`^${title}`) }).click();

/** Draws a part of the screen in from the side. */
export const openDrawer = (page: Page, label: string): Promise<void> =>
  page.getByRole('button', { name: label, exact: true }).click();

export const closeDrawer = (page: Page): Promise<void> =>
  page.getByRole('button', { name: 'Close', exact: true }).click();

/** Unfolds the code with its changes. */
export const showCode = (page: Page): Promise<void> =>
  page.getByRole('button', { name: 'Show the code' }).click();
