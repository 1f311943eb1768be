import { expect, test } from '@playwright/test';
import { act, admin, axeFinds, line, openHeader, signIn, storefront } from './shop';

for (const path of ['/', '/papers/marbled', '/products/awl-fine', '/policies/privacy', '/journal', '/search?q=silk', '/nothing-here']) {
  test(`axe finds nothing in the storefront at ${path}`, async ({ page }) => {
    await page.goto(storefront + path);
    expect(await axeFinds(page)).toEqual([]);
    const more = page.locator('.disclose').first();
    await more.click();
    await expect(more).toHaveAttribute('aria-expanded', 'true');
    expect(await axeFinds(page)).toEqual([]);
  });
}

test('axe finds nothing in the drawer on a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 800 });
  await page.goto(storefront);
  await page.getByText('Menu', { exact: true }).click();
  expect(await axeFinds(page)).toEqual([]);
});

test('axe finds nothing in wide panels, their tabs and carousels, open on a desk and on a phone', async ({ page }) => {
  await page.goto(storefront);
  for (const entry of ['Papers', 'Tools', 'Kits']) {
    await page.getByRole('button', { name: `More below ${entry}` }).click();
    await expect(page.locator('.panel:visible')).toBeVisible();
    // One pair of colours in the demo shop is too pale: it is there to be found.
    expect((await axeFinds(page)).filter((one) => entry !== 'Kits' || !one.startsWith('color-contrast'))).toEqual([]);
    await page.keyboard.press('Escape');
  }
  await page.setViewportSize({ width: 390, height: 800 });
  await page.getByText('Menu', { exact: true }).click();
  for (const entry of ['Papers', 'Tools', 'Kits']) await page.locator('.drawer summary', { hasText: entry }).click();
  await expect(page.locator('.drawer__piece img')).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
});

test('axe finds nothing where people sign in', async ({ page }) => {
  await page.goto(`${admin}/sign-in`);
  expect(await axeFinds(page)).toEqual([]);
});

test('axe finds nothing on the whole frame, whatever is chosen', async ({ page }) => {
  await signIn(page);
  for (const part of [/^Header/, /^Footer column 3/, /^Notice line/, /^Spring fair/]) {
    await page.getByRole('region', { name: 'The frame of the shop' }).getByRole('button', { name: part }).click();
    await expect(page.locator('[data-bay-box] input, [data-card] a, [data-card] input').first()).toBeVisible();
    expect(await axeFinds(page)).toEqual([]);
  }
});

test('axe finds nothing in a menu, with its field, its acts and everything about a line open', async ({ page }) => {
  await signIn(page);
  await openHeader(page);
  await expect(line(page, 'Papers')).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
  await page.keyboard.press('/');
  await page.keyboard.type('pap');
  await expect(page.getByRole('listbox').getByRole('option').first()).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.keyboard.press('l');
  await expect(page.getByRole('menuitemradio', { name: /^Open/ })).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(line(page, 'Papers')).toBeFocused();
  await page.keyboard.press('e');
  await expect(page.getByRole('region', { name: /^Everything about/ })).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
});

test('axe finds nothing where a wide panel is laid out', async ({ page }) => {
  await signIn(page);
  await openHeader(page);
  await act(page, 'Acts for Kits', 'Its wide panel');
  await expect(line(page, 'Band')).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
  for (const [one, has] of [
    ['Band', 'As wide as'],
    ['Kits', 'Laid out as'],
    ['Column', 'Shown to'],
  ] as const) {
    await line(page, one).first().focus();
    await page.keyboard.press('e');
    await expect(
      page
        .getByRole('region', { name: /^Everything about/ })
        .getByLabel(has, { exact: true })
        .first(),
    ).toBeVisible();
    expect(await axeFinds(page)).toEqual([]);
    await page.keyboard.press('Escape');
  }
  await page.keyboard.press('/');
  await page.keyboard.type('pro');
  await expect(page.getByRole('option').first()).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
});

for (const media of [{ colorScheme: 'dark' }, { forcedColors: 'active' }] as const) {
  test(`axe finds nothing with ${JSON.stringify(media)}`, async ({ page }) => {
    await page.emulateMedia(media);
    await signIn(page);
    await page
      .getByRole('region', { name: 'The frame of the shop' })
      .getByRole('button', { name: /^Footer column 3/ })
      .click();
    expect(await axeFinds(page)).toEqual([]);
    await openHeader(page);
    await line(page, 'Papers').focus();
    await page.keyboard.press('e');
    expect(await axeFinds(page)).toEqual([]);
    await page.goto(`${admin}/places?kind=page`);
    await page.getByRole('link', { name: 'Care of paper' }).click();
    await expect(page.getByRole('textbox', { name: /^Words of/ })).toBeVisible();
    expect(await axeFinds(page)).toEqual([]);
    await page.goto(`${admin}/redirects`);
    await expect(page.getByRole('row').nth(3)).toBeVisible();
    expect(await axeFinds(page)).toEqual([]);
  });
}

test('axe finds nothing in the Places view, a sheet and the releases', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/places?kind=collection`);
  await expect(page.getByRole('link', { name: 'Acid-free' })).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
  await page.getByRole('link', { name: 'Acid-free' }).click();
  await page.getByRole('textbox', { name: 'Address' }).fill('/collections/without-acid');
  await expect(page.getByRole('button', { name: 'Change the address' })).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
  await page.goto(`${admin}/releases/1`);
  await expect(page.getByRole('heading', { name: /Release 1, by/ })).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
});
