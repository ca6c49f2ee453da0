import type { Page } from 'playwright-core';

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
