import { expect, type FrameLocator, type Locator, type Page, test } from '@playwright/test';
import { admin, ask, axeFinds, openHeader, publish, shopBeside, signIn, storefront, told, visitor } from './shop';

const filterOf = (page: Page | Locator | FrameLocator, name: string) => page.getByRole('group', { name });
const choiceOf = (page: Page | Locator | FrameLocator, filter: string, name: string) =>
  filterOf(page, filter).getByRole('checkbox', { name: new RegExp(`^${name}`) });
const count = (page: Page) => page.locator('.listed__count');
const lines = (page: Page) => page.locator('[data-filter-line]').evaluateAll((all) => all.map((one) => one.firstElementChild?.textContent));

test('a manager chooses the filters of all listings, gives a place its own, and sees beside what they leave', async ({ page, browser }) => {
  await signIn(page);
  await page.getByRole('link', { name: 'Filters' }).click();
  const beside = shopBeside(page);
  await expect(filterOf(beside, 'Tag')).toBeVisible();
  await page.getByRole('button', { name: /^Add Maker/ }).click();
  await expect(told(page)).toContainText('Visitors narrow by maker here.');
  await expect(beside.getByText('Hollin Mill')).toBeVisible();
  // Two acts, the second before the first is answered: neither is lost.
  await page.route('**/api/filters', async (route) => {
    if (route.request().method() === 'PUT') await new Promise((resolve) => setTimeout(resolve, 400));
    await route.continue();
  });
  await page.getByRole('button', { name: /^Add Sheet size/ }).click();
  await page.getByRole('button', { name: 'Take Tag out' }).click();
  await expect.poll(() => lines(page)).toEqual(['Availability', 'Price', 'Maker', 'Sheet size']);
  await page.unrouteAll({ behavior: 'wait' });
  await expect(filterOf(beside, 'Tag')).toHaveCount(0);
  // By keyboard: up by one, and what was moved keeps the focus.
  const size = page.getByRole('button', { name: /^Sheet size/ }).first();
  await size.focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect.poll(() => lines(page)).toEqual(['Availability', 'Price', 'Sheet size', 'Maker']);
  await expect(size).toBeFocused();

  await size.click();
  await page.getByLabel('It is called').fill('Format');
  await page.getByLabel('It is called').press('Enter');
  await expect(filterOf(beside, 'Format')).toBeVisible();
  await page.getByLabel('70 × 100 cm is called').fill('Whole sheet');
  await page.getByLabel('70 × 100 cm is called').press('Enter');
  await expect(beside.getByText('Whole sheet')).toBeVisible();
  await page.getByRole('combobox', { name: '43 × 61 cm means the same as' }).click();
  await page.getByRole('option', { name: '35 × 50 cm' }).click();
  await expect(beside.locator('.choice', { hasText: '35 × 50 cm' })).toContainText('24');
  expect(await axeFinds(page)).toEqual([]);

  // A place with a set of its own.
  await page.getByRole('button', { name: 'give a place its own' }).click();
  await page.getByRole('combobox', { name: 'The place whose listing has filters of its own' }).fill('threads and');
  await page.getByRole('option', { name: /Threads and cords/ }).click();
  await page.getByRole('button', { name: 'Give it filters of its own' }).click();
  await expect(page.getByRole('button', { name: 'Take Format out' })).toBeVisible();
  await page.getByRole('button', { name: 'Take Format out' }).click();
  await page.getByRole('button', { name: /^Add Strength/ }).click();
  await expect(filterOf(beside, 'Strength')).toBeVisible();
  await page.getByRole('button', { name: 'Review' }).click();
  await expect(page.getByText('Visitors narrow listings by availability, price, sheet size, maker.')).toBeVisible();
  await page.keyboard.press('Escape');
  await publish(page);

  const guest = await visitor(browser, '/threads-and-cords');
  await expect(filterOf(guest, 'Strength')).toBeVisible();
  await expect(filterOf(guest, 'Format')).toHaveCount(0);
  await guest.goto(`${storefront}/papers`);
  await expect(filterOf(guest, 'Format')).toBeVisible();
  await expect(filterOf(guest, 'Tag')).toHaveCount(0);
  await expect(choiceOf(guest, 'Format', 'Whole sheet')).toBeVisible();
});

test('an entry leads to some of the products, chosen by the same filters', async ({ page, browser }) => {
  await signIn(page);
  await openHeader(page);
  await page.getByRole('combobox', { name: 'Where should it lead?' }).fill('marbled papers');
  await page
    .getByRole('option', { name: /Marbled papers.*category/ })
    .first()
    .waitFor();
  await page.keyboard.press('Enter');
  const entry = page.getByRole('treeitem', { name: /^Marbled papers,/ }).last();
  await entry.click();
  await page.getByRole('button', { name: 'narrow it down' }).click();
  await filterOf(page, 'Availability').getByRole('checkbox').check();
  await expect(page.getByText(/^in stock$/)).toBeVisible();
  await page.getByLabel('to', { exact: true }).fill('7');
  await page.getByLabel('to', { exact: true }).press('Enter');
  await expect(page.getByText(/^up to 7, in stock$/)).toBeVisible();
  await expect(page.getByText('7 products')).toBeVisible();
  await publish(page);
  const guest = await visitor(browser, '/');
  const link = guest.locator('.desk-menu a[href="/papers/marbled?price-to=7&in-stock=yes"]').first();
  await guest.goto(new URL((await link.getAttribute('href')) ?? '', storefront).href);
  await expect(count(guest)).toHaveText('7 products');
  // What comes after this is about another header.
  await entry.focus();
  await page.keyboard.press('Delete');
  await publish(page);
});

test('on a phone the filters are a sheet; the list follows, and a friend without a script sees the same', async ({ browser }) => {
  const phone = await visitor(browser, '/papers', { width: 390, height: 844 });
  await expect(phone.locator('.filters')).toBeHidden();
  const open = phone.getByRole('link', { name: 'Narrow down' });
  await open.click();
  await expect(phone.locator('.filters')).toBeVisible();
  await expect(phone.getByRole('heading', { level: 1 })).toBeHidden();
  expect(await axeFinds(phone)).toEqual([]);
  await choiceOf(phone, 'Maker', 'Hollin Mill').check();
  await expect(phone.getByRole('button', { name: 'Show 10 products' })).toBeVisible();
  await choiceOf(phone, 'Maker', 'Odile Farrow').check();
  await expect(phone.getByRole('button', { name: 'Show 25 products' })).toBeVisible();
  await expect(choiceOf(phone, 'Maker', 'Odile Farrow')).toBeFocused();
  const size = choiceOf(phone, 'Format', '50 × 70 cm');
  const left = Number(
    /\d+/.exec((await phone.locator('.choice', { hasText: '50 × 70 cm' }).locator('.choice__count').textContent()) ?? '')?.[0],
  );
  await size.check();
  await expect(phone.getByRole('button', { name: `Show ${left} products` })).toBeVisible();
  await filterOf(phone, 'Price').getByLabel('to').fill('6');
  await filterOf(phone, 'Price').getByLabel('to').press('Tab');
  await expect(phone.locator('.chosen a', { hasText: 'up to 6' })).toBeAttached();
  await phone.getByRole('button', { name: /^Show \d+ products?$/ }).click();
  await expect(phone.locator('.filters')).toBeHidden();
  const shown = (await count(phone).textContent()) ?? '';
  expect(await phone.locator('.listed .product-card').count()).toBe(Number.parseInt(shown, 10));
  const address = new URL(phone.url());
  expect(address.search).toBe('?maker=Hollin+Mill&maker=Odile+Farrow&price-to=6&option.Sheet+size=50+%C3%97+70+cm');

  const plain = await browser.newContext({ javaScriptEnabled: false });
  const friend = await plain.newPage();
  await friend.goto(address.origin + address.pathname + address.search);
  await expect(count(friend)).toHaveText(shown);
  // Back by one choice at a time.
  await phone.getByRole('link', { name: /Take out Price up to 6/ }).click();
  await expect(count(phone)).toHaveText(`${left} products`);
  await phone.goBack();
  await expect(count(phone)).toHaveText(shown);
  await phone.keyboard.press('Escape');
  await phone.context().close();
  await plain.close();
});

test('without a script it is a form, on a desk and on a phone', async ({ browser }) => {
  for (const viewport of [
    { width: 1280, height: 800 },
    { width: 390, height: 844 },
  ]) {
    const context = await browser.newContext({ javaScriptEnabled: false, viewport });
    const page = await context.newPage();
    await page.goto(`${storefront}/papers`);
    if (viewport.width < 500) await page.getByRole('link', { name: 'Narrow down' }).click();
    await choiceOf(page, 'Maker', 'The Pear Block').check();
    await filterOf(page, 'Price').getByLabel('from').fill('9');
    await page.getByRole('button', { name: 'Show products' }).click();
    await expect(page).toHaveURL(/maker=The\+Pear\+Block/);
    await expect(count(page)).toHaveText('6 products');
    await page.getByLabel('Order').selectOption('lowest price first');
    await page.getByRole('button', { name: 'Put in order' }).click();
    await expect(page).toHaveURL(/sort=price/);
    await expect(count(page)).toHaveText('6 products');
    await page.getByRole('link', { name: /Take out Maker/ }).click();
    await expect(page.getByRole('link', { name: /Take out Maker/ })).toHaveCount(0);
    await context.close();
  }
});

test('on a desk a listing narrows without a new page, keeps the focus, and says what to take out where nothing is left', async ({
  browser,
}) => {
  const page = await visitor(browser, '/papers');
  await page.evaluate(() => Object.assign(window, { stays: true }));
  await choiceOf(page, 'Maker', 'Hollin Mill').focus();
  await page.keyboard.press('Space');
  await expect(count(page)).toHaveText('10 products');
  await expect(choiceOf(page, 'Maker', 'Hollin Mill')).toBeFocused();
  await expect(page).toHaveURL(`${storefront}/papers?maker=Hollin+Mill`);
  await page.getByLabel('Order').selectOption('highest price first');
  await expect(page).toHaveURL(`${storefront}/papers?maker=Hollin+Mill&sort=price-down`);
  await filterOf(page, 'Price').getByLabel('from').fill('200');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Nothing is all of this.')).toContainText('Without Price: from 200 there would be 10 products');
  expect(await axeFinds(page)).toEqual([]);
  await page.getByRole('link', { name: 'Take it out' }).click();
  await expect(count(page)).toHaveText('10 products');
  expect(await page.evaluate(() => 'stays' in window)).toBe(true);
});

test('a search forgives a slip, suggests, and can be narrowed; what was not found is led to a place', async ({ page, browser }) => {
  const guest = await visitor(browser, '/search');
  const field = guest.getByRole('combobox', { name: 'What are you looking for?' });
  await field.pressSequentially('linen th');
  await expect(guest.getByRole('option', { name: 'Linen thread page' })).toBeVisible();
  expect(await axeFinds(guest)).toEqual([]);
  await field.press('ArrowDown');
  await expect(field).toHaveAttribute('aria-activedescendant', /.+/);
  await field.press('Escape');
  await expect(guest.getByRole('listbox')).toBeHidden();
  await field.fill('linnen thred');
  await field.press('Enter');
  await expect(count(guest)).toHaveText('11 products');
  await expect(guest.getByRole('link', { name: 'Linen thread', exact: true })).toBeVisible();
  await expect(filterOf(guest, 'Maker').or(filterOf(guest, 'Price')).first()).toBeVisible();
  await guest.goto(`${storefront}/search?q=Opening+times+of+the+bench`);
  await expect(guest.getByText('Nothing has all of these words.')).toBeVisible();

  await signIn(page);
  await page.goto(`${admin}/filters?of=search`);
  const missed = page.getByRole('region', { name: 'Looked for, and not found' });
  await expect(missed.getByText('“opening times of the bench”')).toBeVisible();
  await missed.getByRole('button', { name: 'Lead “opening times of the bench” elsewhere' }).click();
  await page.getByRole('combobox', { name: 'Where “opening times of the bench” leads' }).fill('journal');
  await page
    .getByRole('option', { name: /\/journal$/ })
    .first()
    .click();
  await expect(page.getByRole('region', { name: 'Words that lead somewhere at once' })).toContainText('“opening times of the bench”');
  await expect(missed.getByText('“opening times of the bench”')).toHaveCount(0);
  expect(await axeFinds(page)).toEqual([]);
  await publish(page);
  const answer = await ask(guest, '/search?q=opening%20times%20of%20the%20bench');
  expect([answer.status(), answer.headers().location]).toEqual([302, '/journal']);
  await page.keyboard.press('Control+z');
  await expect(told(page)).toContainText('Taken back');
});
