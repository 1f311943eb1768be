import { expect, test } from '@playwright/test';
import { admin, line, openHeader, outline, outlined, signIn } from './shop';

const field = 'Where should it lead?';

test('what cannot be is said where it was tried, and what was typed stays', async ({ page }) => {
  await signIn(page);
  await openHeader(page);
  await line(page, 'Tools').focus();
  await page.keyboard.press('F2');
  const label = page.getByRole('textbox', { name: 'Label of Tools' });
  await label.fill('x'.repeat(201));
  await expect(page.getByRole('alert').filter({ hasText: 'at most 200 characters; this one has 201' })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(label).toHaveValue('x'.repeat(201));
  await label.fill('Tools');
  await page.keyboard.press('Enter');

  // A fourth level.
  await line(page, 'Combed').focus();
  const before = await outlined(page);
  await page.keyboard.press('Enter');
  await page.keyboard.type('Fine combs');
  await expect(page.getByRole('option', { name: /Fine combs a heading/ })).toBeVisible();
  await page.keyboard.press('Shift+Enter');
  await expect(page.getByText('A menu has at most 3 levels').first()).toBeVisible();
  await expect(page.getByRole('combobox', { name: field })).toHaveValue('Fine combs');
  expect(await outlined(page)).toEqual(before);

  // A dangerous address is no target at all.
  await page.getByRole('combobox', { name: field }).fill('javascript:alert(1)');
  await expect(page.getByRole('option', { name: /outside/ })).toHaveCount(0);
});

test('an address that is taken, reserved or broken is refused in the sheet', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/places?q=sheet+sizes`);
  await page.getByRole('link', { name: 'Sheet sizes' }).click();
  const address = page.getByRole('textbox', { name: 'Address' });
  for (const [typed, says] of [
    ['/papers', 'taken by the category “Papers”'],
    ['/sitemap.xml', 'search engines read the sitemap there'],
    ['/-/x', 'belong to the program'],
    ['/a%zz', 'two hexadecimal digits'],
    ['/sheet sizes', 'Write /sheet-sizes'],
    ['', 'begins with a slash'],
  ] as const) {
    await address.fill(typed);
    await expect(page.getByRole('alert').filter({ hasText: says })).toBeVisible();
    await expect(address).toHaveValue(typed);
    await expect(page.getByRole('button', { name: 'Change the address' })).toHaveCount(0);
  }
  const title = page.getByRole('textbox', { name: 'Title', exact: true });
  await title.fill('y'.repeat(201));
  await title.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'at most 200 characters' })).toBeVisible();
  await expect(title).toHaveValue('y'.repeat(201));
});

test('somebody else’s edit is not overwritten', async ({ page, browser }) => {
  await signIn(page, 'owner');
  await openHeader(page);
  await expect(line(page, 'Papers')).toBeVisible();
  const other = await (await browser.newContext()).newPage();
  await signIn(other, 'editor');
  await openHeader(other);
  await line(page, 'Kits').focus();
  await page.keyboard.press('F2');
  await expect(page.getByRole('textbox', { name: 'Label of Kits' })).toBeFocused();

  // What is typed cannot be kept just now; meanwhile somebody else is faster.
  const label = page.getByRole('textbox', { name: 'Label of Kits' });
  await page.route('**/api/menus/*/moves*', (route) => route.abort());
  await label.fill('Kits and boxes');
  await expect(page.getByRole('alert').filter({ hasText: 'The server cannot be reached.' })).toBeVisible();
  await line(other, 'Kits').focus();
  await other.keyboard.press('F2');
  await other.getByRole('textbox', { name: 'Label of Kits' }).fill('Boxes');
  await other.keyboard.press('Enter');
  await expect(line(other, 'Boxes')).toBeVisible();
  await expect(page.getByRole('alert').filter({ hasText: 'Somebody else wrote “Boxes” meanwhile.' })).toBeVisible();
  await expect(label).toHaveValue('Kits and boxes');
  await page.unroute('**/api/menus/*/moves*');
  await page.getByRole('button', { name: 'Take theirs' }).click();
  await expect(label).toHaveValue('Boxes');
  await label.press('Escape');
  await expect(line(page, 'Boxes')).toBeFocused();

  await line(other, 'Boxes').focus();
  await other.keyboard.press('Control+z');
  await expect(line(other, 'Kits')).toBeVisible();
});

test('undo and redo survive a reload', async ({ page }) => {
  await signIn(page);
  await openHeader(page);
  await line(page, 'Tools').focus();
  await page.keyboard.press('Delete');
  await expect(line(page, 'Tools')).toHaveCount(0);
  await expect(line(page, 'Cutting and paring')).toHaveCount(0);
  await page.reload();
  await expect(line(page, 'Papers')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(line(page, 'Cutting and paring')).toBeVisible();
  await page.keyboard.press('Control+Shift+z');
  await expect(line(page, 'Tools')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(line(page, 'Tools')).toBeVisible();
});

test('a parent is removed alone with Shift+Delete, and its children move out', async ({ page }) => {
  await signIn(page);
  await openHeader(page);
  await line(page, 'Tools').focus();
  await page.keyboard.press('Shift+Delete');
  await expect(line(page, 'Cutting and paring')).toHaveAttribute('aria-level', '1');
  await page.keyboard.press('Control+z');
  await expect(line(page, 'Cutting and paring')).toHaveAttribute('aria-level', '2');
});

test('the keyboard is never caught in the outline', async ({ page }) => {
  await signIn(page);
  await openHeader(page);
  await line(page, 'Papers').focus();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('combobox', { name: field })).toBeFocused();
  await page.keyboard.press('Tab');
  await expect(outline(page).locator(':focus')).toHaveCount(0);
  await expect(page.getByRole('combobox', { name: field })).not.toBeFocused();
});

test('what opens over the outline gives the focus back to the line it came from', async ({ page }) => {
  await signIn(page);
  await openHeader(page);
  await line(page, 'Kits').focus();
  await page.keyboard.press('l');
  await expect(page.getByRole('menuitemradio', { name: /^Open/ })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(line(page, 'Kits')).toBeFocused();
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('combobox', { name: 'A place, a menu, a view or a finding' })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(line(page, 'Kits')).toBeFocused();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(line(page, 'Kits')).toBeFocused();
});

test('a viewer looks, and changes nothing', async ({ page }) => {
  await signIn(page, 'viewer');
  await openHeader(page);
  await line(page, 'Papers').focus();
  const before = await outlined(page);
  await page.keyboard.press('Delete');
  await expect(page.getByRole('combobox', { name: field })).toBeDisabled();
  await expect(page.getByRole('button', { name: 'Publish' })).toBeDisabled();
  expect(await outlined(page)).toEqual(before);
  const token = await page.locator('meta[name="csrf-token"]').getAttribute('content');
  const answer = await page.request.post(`${admin}/api/releases`, { headers: { 'X-CSRF-Token': token ?? '' } });
  expect([answer.status(), answer.headers()['content-type']]).toEqual([403, 'application/problem+json']);
});

test('wrong passwords are said, then slowed down', async ({ page }) => {
  await page.goto(`${admin}/sign-in`);
  for (let n = 0; n < 6; n++) {
    await page.getByLabel('Mail address').fill('nobody@tansyandrook.example');
    await page.getByLabel('Password').fill('guess');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('alert')).toContainText(n < 5 ? 'do not belong together' : 'Too many attempts');
    await expect(page.getByLabel('Mail address')).toHaveValue('nobody@tansyandrook.example');
  }
});
