import { AxeBuilder } from '@axe-core/playwright';
import { type APIResponse, type Browser, expect, type Locator, type Page } from '@playwright/test';

export const storefront = process.env.LANTERN_STOREFRONT_URL ?? 'http://127.0.0.1:8190';
export const admin = process.env.LANTERN_ADMIN_URL ?? 'http://127.0.0.1:8191';

export async function signIn(page: Page, who: 'owner' | 'publisher' | 'editor' | 'viewer' = 'owner'): Promise<void> {
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

/** Where something stands, as soon as it stands still. */
export async function boxOf(one: Locator): Promise<{ x: number; y: number; width: number; height: number }> {
  let last = '';
  let box = null;
  await expect
    .poll(async () => {
      box = await one.boundingBox();
      const before = last;
      last = JSON.stringify(box);
      return box !== null && last === before;
    })
    .toBe(true);
  return box ?? { x: 0, y: 0, width: 0, height: 0 };
}

/**
 * What axe finds on a page: each rule with the elements that break it. Only what is wrong is told, and in the page itself, which
 * takes a third of the time; the shop beside is looked at as a page of its own.
 */
export async function axeFinds(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
    .options({ resultTypes: ['violations'] })
    .setLegacyMode(true)
    .exclude('iframe')
    .analyze();
  return violations.map(
    ({ id, nodes }) => `${id}: ${nodes.map(({ target, html }) => `${target.join(' ')} ${html.slice(0, 120)}`).join(', ')}`,
  );
}

/** The labels of the outline with their levels, as `1 Papers`. */
export const outlined = (page: Page) =>
  outline(page)
    .getByRole('treeitem')
    .evaluateAll((items) => items.map((item) => `${item.getAttribute('aria-level')} ${item.getAttribute('aria-label')?.split(',')[0]}`));

export async function publish(page: Page): Promise<void> {
  await page.getByRole('region', { name: 'What waits' }).getByRole('button', { name: 'Publish' }).click();
  // What breaks what visitors use takes a second touch.
  const allTheSame = page.getByRole('dialog', { name: 'What waits' }).getByRole('button', { name: 'Publish all the same' });
  await expect(told(page).filter({ hasText: 'visitors see it now' }).or(allTheSame)).toBeVisible();
  if (await allTheSame.isVisible()) await allTheSame.click();
  await expect(told(page)).toContainText('visitors see it now');
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

/** Chooses one of a list that opens, by its words. */
export async function choose(page: Page | Locator, label: string | RegExp, words: string | RegExp): Promise<void> {
  await page.getByRole('combobox', { name: label, exact: typeof label === 'string' }).click();
  const whole = 'page' in page && typeof page.page === 'function' ? page.page() : (page as Page);
  await whole.getByRole('option', { name: words, exact: typeof words === 'string' }).click();
}

/** Does one of the acts behind a button. */
export async function act(page: Page | Locator, button: string | RegExp, ...names: (string | RegExp)[]): Promise<void> {
  await page.getByRole('button', { name: button }).click();
  const whole = 'page' in page && typeof page.page === 'function' ? page.page() : (page as Page);
  for (const name of names) await whole.getByRole('menuitem', { name }).click();
}

/** What was told last in the tray. */
export const told = (page: Page) => page.locator('[data-told]');

/** The header's menu, opened from the whole frame. */
export async function openHeader(page: Page): Promise<void> {
  await page.goto(`${admin}/menus`);
  await page
    .getByRole('region', { name: 'The frame of the shop' })
    .getByRole('button', { name: /^Header/ })
    .dblclick();
  await expect(outline(page)).toBeVisible();
}

/** The menu of a part of the frame: the part is touched, then its menu opened. */
export async function openBay(page: Page, name: RegExp): Promise<void> {
  await page.getByRole('region', { name: 'The frame of the shop' }).getByRole('button', { name }).click();
  await page.getByRole('link', { name: /^Open “/ }).click();
  await expect(outline(page)).toBeVisible();
}

/** Where the workbench is looked at with a visitor's eyes. */
export async function previewFor(page: Page, audience: 'guest' | 'customer'): Promise<string> {
  const token = await page.locator('meta[name="csrf-token"]').getAttribute('content');
  const answer = await page.request.post(`${admin}/api/previews`, {
    headers: { 'X-CSRF-Token': token ?? '' },
    data: { copy: 'workbench', audience, at: null },
  });
  return ((await answer.json()) as { url: string }).url;
}

/** Asks the API as the person who is signed in. */
export async function post(page: Page, path: string, body: object): Promise<APIResponse> {
  const token = await page.locator('meta[name="csrf-token"]').getAttribute('content');
  return page.request.post(admin + path, { headers: { 'X-CSRF-Token': token ?? '' }, data: body });
}

/** Changes one thing of the frame past the interface; the status of the answer. */
export const changeFrame = async (page: Page, body: object): Promise<number> => (await post(page, '/api/frame/changes', body)).status();
