import { expect, test } from '@playwright/test';
import { admin, ask, publish, signIn } from './shop';

test('a redirect is made, tried, refused where it goes round in a circle, and taken away', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/redirects`);
  await page.getByRole('button', { name: 'New redirect' }).click();
  const form = page.getByRole('form', { name: 'New redirect' });
  await form.getByLabel('From').fill('/winter-list');
  await form.getByRole('combobox', { name: 'To' }).fill('javascript:alert(1)');
  await form.getByRole('button', { name: 'Make it' }).click();
  await expect(form.getByRole('alert')).toContainText('begins with https://');
  await form.getByRole('combobox', { name: 'To' }).fill('/papers/marbled');
  await form.getByRole('button', { name: 'Make it' }).click();
  await expect(form).toHaveCount(0);
  await page.getByRole('searchbox', { name: 'Search redirects' }).fill('winter-list');
  await expect(page.getByRole('row').filter({ hasText: '/winter-list' })).toContainText('Marbled papers');

  const tried = page.getByRole('textbox', { name: 'Addresses to try' });
  await tried.fill('/Winter-List/\n/nothing-of-the-kind');
  const trails = page.getByRole('list', { name: 'Trails' });
  await expect(trails.getByRole('listitem').first()).toContainText('301, one hop to /papers/marbled');
  await expect(trails.getByRole('listitem').last()).toContainText('404 Not found.');
  await page.getByRole('region', { name: 'Try an address' }).getByRole('radio', { name: 'Live' }).click();
  await expect(trails.getByRole('listitem').first()).toContainText('404');

  await page.getByRole('button', { name: 'New redirect' }).click();
  await form.getByLabel('From').fill('/round');
  await form.getByRole('combobox', { name: 'To' }).fill('/round');
  await form.getByRole('button', { name: 'Make it' }).click();
  await expect(form.getByRole('alert')).toContainText('/round → /round');
  await form.getByRole('button', { name: 'Leave it' }).click();

  await page.getByRole('checkbox', { name: 'Choose /winter-list' }).check();
  await page.getByRole('button', { name: 'Take 1 away' }).click();
  await expect(page.getByText('No redirect is like this.')).toBeVisible();
});

test('redirects come from a file: the good lines go in, the others say why, and twice changes nothing', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/redirects`);
  const csv = [
    'Old URL;New URL;Code',
    '/site/a.html;/papers;301',
    '/site/b.html;/site/a.html;',
    '/papers;/tools;',
    '/site/x;/site/y;',
    '/site/y;/site/x;',
    '/site/c.html;;410',
    '/site/d;javascript:x;',
  ].join('\r\n');
  const file = { name: 'old-site.csv', mimeType: 'text/csv', buffer: Buffer.from(`\uFEFF${csv}\r\n`) };
  await page.getByRole('button', { name: 'From a file…' }).click();
  const dialog = page.getByRole('dialog', { name: 'From a file' });
  await dialog.getByLabel('The file:').setInputFiles({ name: 'x.csv', mimeType: 'text/csv', buffer: Buffer.from('Dear Sir\n') });
  await expect(dialog.getByRole('alert')).toContainText('only one column');
  await dialog.getByLabel('The file:').setInputFiles(file);
  await expect(dialog).toContainText('3 go in, 0 are there already, 4 are refused');
  await expect(dialog).toContainText('“Papers” opens at /papers');
  await expect(dialog).toContainText('/site/x → /site/y → /site/x');
  await dialog.getByRole('button', { name: 'Take the 3 good lines' }).click();
  await expect(page.getByText('3 redirects are made.').first()).toBeVisible();
  await page.getByRole('button', { name: 'From a file…' }).click();
  await dialog.getByLabel('The file:').setInputFiles(file);
  await expect(dialog).toContainText('0 go in, 3 are there already, 4 are refused');
  await dialog.getByRole('button', { name: 'Leave it' }).click();
  await publish(page);
  const hop = await ask(page, '/site/b.html?from=letter');
  expect([hop.status(), hop.headers().location]).toEqual([301, '/papers?from=letter']);
  expect((await ask(page, '/site/c.html')).status()).toBe(410);
  const exported = await (await page.request.get(`${admin}/api/redirects/export.csv`)).text();
  expect(exported).toContain('/site/b.html,/papers,301');
});
