import { type APIResponse, type Browser, expect, type Page } from '@playwright/test';

export const storefront = process.env.LANTERN_STOREFRONT_URL ?? 'http://127.0.0.1:8190';
export const admin = process.env.LANTERN_ADMIN_URL ?? 'http://127.0.0.1:8191';

export async function signIn(page: Page, who: 'owner' | 'editor' | 'viewer' = 'owner'): Promise<void> {
  await page.goto(`${admin}/sign-in`);
  await page.getByLabel('Mail address').fill(`${who}@tansyandrook.example`);
  await page.getByLabel('Password').fill(`lantern-${who}`);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('navigation', { name: 'Views' })).toBeVisible();
}

/** The shop beside what is edited. */
export const shopBeside = (page: Page) => page.frameLocator('iframe[title="The shop, from the workbench"]');

export const outline = (page: Page) => page.getByRole('tree');

export const line = (page: Page, label: string | RegExp) =>
  outline(page).getByRole('treeitem', { name: typeof label === 'string' ? new RegExp(`^${label},`) : label });

/** The labels of the outline with their levels, as `1 Papers`. */
export const outlined = (page: Page) =>
  outline(page)
    .getByRole('treeitem')
    .evaluateAll((items) => items.map((item) => `${item.getAttribute('aria-level')} ${item.getAttribute('aria-label')?.split(',')[0]}`));

export async function publish(page: Page): Promise<void> {
  await page.getByRole('region', { name: 'What waits' }).getByRole('button', { name: 'Publish' }).click();
  await expect(page.getByText('visitors see it now').first()).toBeVisible();
  await expect(page.getByText('Nothing waits.')).toBeVisible();
}

/** A page of the live shop, in a window that nobody is signed in to. */
export async function visitor(browser: Browser, path: string, viewport = { width: 1280, height: 800 }): Promise<Page> {
  const context = await browser.newContext({ viewport });
  const page = await context.newPage();
  await page.goto(storefront + path);
  return page;
}

/** An answer of the live shop, without following where it leads. */
export const ask = (page: Page, path: string): Promise<APIResponse> => page.request.get(storefront + path, { maxRedirects: 0 });
