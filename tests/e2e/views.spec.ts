import { expect, test } from '@playwright/test';
import { admin, choose, line, openBay, openHeader, shopBeside, signIn, storefront } from './shop';

test('the table of places keeps in the address bar what it is narrowed to', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/places`);
  await choose(page, 'Kind', 'page group');
  await choose(page, 'Led to', 'from no menu');
  await expect(page.getByText('1 place', { exact: true })).toBeVisible();
  await expect(page).toHaveURL(/kind=page-group&led=no-menu/);
  await page.reload();
  await expect(page.getByRole('row')).toHaveCount(2);
  await choose(page, 'Led to', 'from anywhere');
  await page.getByRole('searchbox').fill('no such thing');
  await expect(page.getByText('No place is like this.')).toBeVisible();
  await page.goto(`${admin}/places?light=closed`);
  await expect(page.getByRole('link', { name: 'Autumn workshop' })).toBeVisible();
  await expect(page.getByText('1 place', { exact: true })).toBeVisible();
});

test('a long table is fetched as it is read, and only what is seen of it is drawn', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/places`);
  const table = page.getByRole('region', { name: 'Table of places' });
  await expect(page.getByRole('row').nth(10)).toBeVisible();
  for (let n = 0; n < 12; n += 1) {
    await table.evaluate((box) => box.scrollBy(0, 1500));
    await expect(page.getByRole('row').nth(5)).toContainText('/');
  }
  await expect(table.getByText(/^\d+ places$/)).toBeInViewport();
  expect(await page.getByRole('row').count()).toBeLessThan(80);
  // A range from the first row to the last, though the first was given up meanwhile.
  const last = page.locator('tbody tr[aria-rowindex]').last();
  await table.evaluate((box) => box.scrollTo(0, 0));
  await page.getByRole('row').nth(1).getByRole('checkbox').check();
  await expect(page.getByRole('region', { name: 'Chosen places' })).toContainText('1 place chosen');
  for (let n = 0; n < 12; n += 1) {
    await table.evaluate((box) => box.scrollBy(0, 1500));
    await expect(page.getByRole('row').nth(5)).toContainText('/');
  }
  await expect(table.getByText(/^\d+ places$/)).toBeInViewport();
  const count = (await table.getByText(/^\d+ places$/).textContent()) ?? '';
  await last.getByRole('checkbox').click({ modifiers: ['Shift'] });
  await expect(page.getByRole('region', { name: 'Chosen places' })).toContainText(`${count} chosen`);
  // All that it is narrowed to is more than what was fetched.
  await page.getByRole('checkbox', { name: 'Choose all that the table is narrowed to' }).click();
  await expect(page.getByRole('region', { name: 'Chosen places' })).toContainText(/all \d{3} places chosen/);
});

test('a title that changes is followed by entries without a label of their own', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/places?q=strong+spines`);
  await page.getByRole('link', { name: 'Strong spines' }).click();
  const title = page.getByRole('textbox', { name: 'Title', exact: true });
  await title.fill('Spines that last');
  await title.press('Enter');
  await expect(shopBeside(page).getByRole('heading', { level: 1 })).toHaveText('Spines that last');
  await page.getByRole('link', { name: 'Menus' }).click();
  await openBay(page, /^Header/);
  await expect(line(page, 'Spines that last')).toBeVisible();
  await line(page, 'Threads').focus();
  await page.keyboard.press('F2');
  await page.getByRole('textbox', { name: /^Label of/ }).fill('');
  await page.keyboard.press('Enter');
  await expect(line(page, 'Threads and cords')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(line(page, 'Threads')).toBeVisible();
  await page.goto(`${admin}/places?q=spines+that`);
  await page.getByRole('link', { name: 'Spines that last' }).click();
  await title.fill('Strong spines');
  await title.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Strong spines');
});

test('light and address are undone from the message that told of them', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/places?q=sheet+sizes`);
  await page.getByRole('link', { name: 'Sheet sizes' }).click();
  await page.getByText('Quiet', { exact: true }).click();
  await page.getByRole('button', { name: 'Make it quiet' }).click();
  await expect(page.getByRole('img', { name: 'Quiet' }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('img', { name: 'Open' })).toBeVisible();
  const address = page.getByRole('textbox', { name: 'Address' });
  await address.fill('Help/SIZES/');
  await page.getByRole('button', { name: 'Change the address' }).click();
  await expect(address).toHaveValue('/help/sizes');
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(page.getByRole('region', { name: 'What waits' }).locator('p').first()).not.toContainText('Sheet sizes');
});

test('what is pointed at in the shop is marked in the outline', async ({ page }) => {
  await signIn(page);
  await openHeader(page);
  await expect(line(page, 'Tools')).toBeVisible();
  await shopBeside(page).locator('header').getByRole('link', { name: 'Tools' }).hover();
  await expect(line(page, 'Tools')).toHaveAttribute('data-pointed', 'true');
  await line(page, 'Kits').focus();
  await expect(shopBeside(page).locator('header').getByRole('link', { name: 'First kits' })).toBeVisible();
});

test('the shop beside is seen on a phone and by a customer', async ({ page }) => {
  await signIn(page);
  await openHeader(page);
  await page.getByRole('radio', { name: 'Phone', exact: true }).click();
  await expect(shopBeside(page).getByText('Menu', { exact: true })).toBeVisible();
  await expect(shopBeside(page).locator('.desk-menu')).toBeHidden();
  await page.getByRole('radio', { name: 'Desk' }).click();
  await page.getByRole('radio', { name: 'Customer' }).click();
  await expect(shopBeside(page).getByRole('link', { name: 'Your account' })).toBeVisible();
});

test('looking and publishing work on a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 800 });
  await signIn(page);
  await openHeader(page);
  await expect(line(page, 'Papers')).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.getByRole('link', { name: 'Places' }).click();
  await page.getByRole('searchbox').fill('ways to pay');
  await page.getByRole('link', { name: 'Ways to pay' }).click();
  await page.getByText('Closed', { exact: true }).first().click();
  await page.getByRole('button', { name: 'Make it closed' }).click();
  await expect(page.getByRole('region', { name: 'What waits' })).toContainText('Ways to pay');
  await page.getByRole('button', { name: 'Publish' }).click();
  await expect(page.getByText('visitors see it now').first()).toBeVisible();
  expect((await page.request.get(`${storefront}/help/ways-to-pay`)).status()).toBe(404);
  await page.getByRole('link', { name: 'Releases' }).click();
  await page
    .getByRole('link', { name: /Ways to pay/ })
    .first()
    .click();
  await expect(page.getByRole('region', { name: 'What changed' })).toContainText(/Light: .* becomes Closed\./);
});

test('signing out ends the session, and a page that is left open says so', async ({ page }) => {
  await signIn(page);
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await page.goto(`${admin}/places`);
  await expect(page).toHaveURL(/sign-in/);
});
