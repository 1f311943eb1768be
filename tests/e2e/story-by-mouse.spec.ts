import { expect, test } from '@playwright/test';
import { ask, boxOf, line, openBay, outline, outlined, publish, shopBeside, signIn, visitor } from './shop';

test('a store manager adds a dropdown, makes a category quiet, moves a page and publishes, by mouse', async ({ page, browser }) => {
  test.setTimeout(90_000);
  await signIn(page);

  // The shop's own header and footer are drawn with their real labels; from one menu it is one click to the next.
  await openBay(page, /^Footer column 2/);
  await expect(page.getByRole('region', { name: /^Outline of Footer, help/ })).toBeVisible();
  const parts = page.getByRole('navigation', { name: 'Parts of the frame' });
  await expect(parts.getByRole('link', { name: 'Footer 2' })).toHaveAttribute('aria-current', 'page');
  await expect(shopBeside(page).getByRole('contentinfo').getByRole('link', { name: 'Imprint' })).toBeInViewport();
  await parts.getByRole('link', { name: 'Header' }).click();
  await expect(line(page, 'Papers')).toBeVisible();

  // A dropdown with a collection, a category and a policy in it.
  const field = page.getByRole('combobox', { name: 'Where should it lead?' });
  await line(page, 'About us').click({ position: { x: 300, y: 12 } });
  await field.fill('Seasonal');
  await page.getByRole('option', { name: /Seasonal a heading/ }).click();
  await expect(line(page, 'Seasonal')).toBeVisible();
  for (const letters of ['acid-free', 'calendar', 'privacy']) {
    await field.fill(letters);
    const option = page.getByRole('listbox').getByRole('option').first();
    await expect(option).toContainText(new RegExp(letters, 'i'));
    await option.click({ modifiers: ['Control'] });
  }
  await expect(page.getByRole('list', { name: 'Picked' }).getByRole('listitem')).toHaveCount(3);
  await page.getByRole('button', { name: 'Inside “Seasonal”' }).click();
  await expect(line(page, 'Privacy')).toHaveAttribute('aria-level', '2');
  expect((await outlined(page)).slice(-4)).toEqual(['1 Seasonal', '2 Acid-free', '2 Calendar kits', '2 Privacy']);

  // It is in the shop beside the outline at once, with its dropdown open.
  await expect(shopBeside(page).locator('header').getByRole('link', { name: 'Acid-free' })).toBeVisible();

  // Dragged: the trail is written out before the drop.
  await line(page, 'First kits').evaluate((item) => item.scrollIntoView({ block: 'center' }));
  const journal = await boxOf(line(page, 'Journal'));
  const kits = await boxOf(line(page, 'First kits'));
  await page.mouse.move(journal.x + 250, journal.y + 12);
  await page.mouse.down();
  await page.mouse.move(kits.x + 260, kits.y + 20, { steps: 4 });
  await page.mouse.move(kits.x + 280, kits.y + 22, { steps: 4 });
  await expect(outline(page).getByText('under Kits', { exact: true })).toBeVisible();
  await page.mouse.up();
  await expect(line(page, 'Journal')).toHaveAttribute('aria-level', '2');
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(line(page, 'Journal')).toHaveAttribute('aria-level', '1');

  // A category is made quiet where it stands, and its lines say why visitors do not get them.
  await page.getByRole('button', { name: 'Light of Calendar kits: Open' }).first().click();
  await page.getByRole('menuitemradio', { name: /^Quiet/ }).click();
  await expect(line(page, 'Calendar kits').first()).toContainText('its place is quiet');
  await expect(shopBeside(page).locator('header').getByText('Calendar kits')).toHaveCount(0);

  // A page gets another address; what that does is said before it is done.
  await page.getByRole('link', { name: 'Places' }).click();
  await page.getByRole('searchbox', { name: 'Search places' }).fill('care of paper');
  await page
    .getByRole('row', { name: /Care of paper page/ })
    .getByRole('link')
    .click();
  await page.getByRole('textbox', { name: 'Address' }).fill('/binding-guides/looking-after-paper');
  await expect(page.getByText('Footer, the shop follows by itself.')).toBeVisible();
  await expect(page.getByText(/will lead on for good \(301\)/)).toBeVisible();
  await page.getByRole('button', { name: 'Change the address' }).click();
  await expect(shopBeside(page).getByRole('heading', { name: 'Care of paper' })).toBeVisible();

  // Visitors see nothing of it until it is published.
  expect((await ask(page, '/binding-guides/looking-after-paper')).status()).toBe(404);
  await expect(page.getByRole('region', { name: 'What waits' })).toContainText(
    '4 changes wait: Header · Calendar kits · Care of paper · 1 redirect',
  );
  await page.getByRole('button', { name: 'Review' }).click();
  await expect(page.getByRole('dialog')).toContainText('Light: Open becomes Quiet.');
  await expect(page.getByRole('dialog')).toContainText('“Seasonal” is new.');
  await page.getByRole('button', { name: 'Back' }).click();
  await publish(page);

  // The live shop, on a desk.
  const desk = await visitor(browser, '/');
  await desk.getByRole('button', { name: 'Seasonal' }).hover();
  await desk.locator('header').getByRole('link', { name: 'Acid-free' }).click();
  await expect(desk.getByRole('heading', { level: 1 })).toHaveText('Acid-free');
  await expect(desk.getByRole('link', { name: 'Calendar kits' })).toHaveCount(0);
  await desk.goto(new URL('/kits/calendar-kits', desk.url()).href);
  await expect(desk.getByRole('heading', { level: 1 })).toHaveText('Calendar kits');
  await desk.goto(new URL('/binding-guides/care-of-paper', desk.url()).href);
  await expect(desk).toHaveURL(/\/binding-guides\/looking-after-paper$/);

  // And on a phone.
  const phone = await visitor(browser, '/', { width: 390, height: 800 });
  await phone.getByText('Menu', { exact: true }).click();
  const drawer = phone.getByRole('navigation', { name: 'Shop, on a phone' });
  await drawer.getByText('Seasonal').click();
  await expect(drawer.getByText('Calendar kits')).toHaveCount(0);
  await drawer.getByRole('link', { name: 'Privacy' }).click();
  await expect(phone.getByRole('heading', { level: 1 })).toHaveText('Privacy');

  // Nothing that a menu leads to is broken.
  const navigation = (await (await ask(page, '/navigation.json')).json()) as { bays: Record<string, { entries: Linked[] }> };
  type Linked = { address: string | null; entries: Linked[] };
  const walk = (entries: Linked[]): (string | null)[] => entries.flatMap((entry) => [entry.address, ...walk(entry.entries)]);
  const addresses = Object.values(navigation.bays).flatMap(({ entries }) => walk(entries));
  expect(addresses.length).toBeGreaterThan(30);
  for (const address of addresses) {
    if (address?.startsWith('/')) expect((await ask(page, address)).status(), address).toBe(200);
  }
});
