import { AxeBuilder } from '@axe-core/playwright';
import { expect, type Page, test } from '@playwright/test';
import { admin, line, signIn, storefront } from './shop';

const findings = async (page: Page) => {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
    .exclude('iframe')
    .analyze();
  return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(', ')}`);
};

for (const path of ['/', '/papers/marbled', '/products/awl-fine', '/policies/privacy', '/journal', '/search?q=silk', '/nothing-here']) {
  test(`axe finds nothing in the storefront at ${path}`, async ({ page }) => {
    await page.goto(storefront + path);
    expect(await findings(page)).toEqual([]);
    const more = page.locator('.disclose').first();
    await more.click();
    await expect(more).toHaveAttribute('aria-expanded', 'true');
    expect(await findings(page)).toEqual([]);
  });
}

test('axe finds nothing in the drawer on a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 800 });
  await page.goto(storefront);
  await page.getByText('Menu', { exact: true }).click();
  expect(await findings(page)).toEqual([]);
});

test('axe finds nothing where people sign in', async ({ page }) => {
  await page.goto(`${admin}/sign-in`);
  expect(await findings(page)).toEqual([]);
});

test('axe finds nothing in the Menus view, with its field and its popover open', async ({ page }) => {
  await signIn(page);
  await expect(line(page, 'Papers')).toBeVisible();
  expect(await findings(page)).toEqual([]);
  await page.keyboard.press('/');
  await page.keyboard.type('pap');
  await expect(page.getByRole('listbox').getByRole('option').first()).toBeVisible();
  expect(await findings(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.keyboard.press('l');
  await expect(page.getByRole('radio', { name: /^Open/ })).toBeVisible();
  expect(await findings(page)).toEqual([]);
});

test('axe finds nothing in the Places view, a sheet and the releases', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/places?kind=collection`);
  await expect(page.getByRole('link', { name: 'Acid-free' })).toBeVisible();
  expect(await findings(page)).toEqual([]);
  await page.getByRole('link', { name: 'Acid-free' }).click();
  await page.getByRole('textbox', { name: 'Address' }).fill('/collections/without-acid');
  await expect(page.getByRole('button', { name: 'Change the address' })).toBeVisible();
  expect(await findings(page)).toEqual([]);
  await page.goto(`${admin}/releases/1`);
  await expect(page.getByRole('heading', { name: /Release 1, by/ })).toBeVisible();
  expect(await findings(page)).toEqual([]);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toBeVisible();
  expect(await findings(page)).toEqual([]);
});
