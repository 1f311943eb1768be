import { expect, type Locator, type Page, test } from '@playwright/test';
import { databaseAway, phpAway } from './outage';
import { act, admin, boxOf, line, openBay, openHeader, outline, outlined, publish, shopBeside, signIn, told, visitor } from './shop';

const field = (page: Page) => page.getByRole('combobox', { name: 'Where should it lead?' });
const frame = (page: Page) => page.getByRole('region', { name: 'The frame of the shop' });
const title = (page: Page) => page.getByRole('textbox', { name: 'Title', exact: true });

const sheetOf = async (page: Page, words: string, name: string): Promise<void> => {
  await page.goto(`${admin}/places?q=${words}`);
  await page.getByRole('link', { name, exact: true }).click();
  await expect(title(page)).toHaveValue(name);
};

/** Three places go in, by letters and Enter. */
const addThree = async (page: Page): Promise<void> => {
  for (const [letters, name] of [
    ['valley', 'Made in the valley'],
    ['small gif', 'Small gifts'],
    ['first kits', 'First kits'],
  ] as const) {
    await page.keyboard.type(letters);
    await expect(field(page)).toHaveValue(letters);
    await expect(page.getByRole('option').first()).toContainText(name);
    await page.keyboard.press('Enter');
    await expect(line(page, name)).toBeVisible();
    await expect(field(page)).toHaveValue('');
  }
};

const covers = async (over: Locator, under: Locator): Promise<boolean> => {
  const [a, b] = [await over.boundingBox(), await under.boundingBox()];
  return a !== null && b !== null && a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;
};

const takeDown = async (page: Page, bay: RegExp, name: string): Promise<void> => {
  await page.goto(`${admin}/menus`);
  await frame(page).getByRole('button', { name: bay }).click();
  await act(page, `What else can be done with the ${name}`, /^Remove the menu/);
  await expect(told(page)).toContainText('is removed');
};

test('a free footer column becomes a menu of three places, by mouse, and the letters go where they should', async ({ page, browser }) => {
  await signIn(page);
  await frame(page)
    .getByRole('button', { name: /^Footer column 4/ })
    .click();
  await page.keyboard.type('For presents');
  await page.getByRole('button', { name: 'Make it' }).click();
  // At once, whether or not the field is there already.
  await page.keyboard.type('kits');
  await expect(page.getByRole('region', { name: 'Outline of For presents' })).toBeVisible();
  await expect(field(page)).toBeFocused();
  await expect(field(page)).toHaveValue('kits');
  await expect(page.getByRole('option', { name: /Kits category/ }).first()).toBeVisible();
  await field(page).fill('');
  // Nothing lies over the field, and the shop beside stands at its foot before the first letter.
  await expect(told(page)).toContainText('“For presents” is made');
  expect(await covers(told(page), field(page))).toBe(false);
  await expect(shopBeside(page).getByRole('contentinfo')).toBeInViewport();
  await addThree(page);
  await expect(shopBeside(page).getByRole('contentinfo').getByRole('link', { name: 'Small gifts' })).toBeInViewport();
  await publish(page);
  const guest = await visitor(browser, '/');
  await expect(guest.getByRole('contentinfo').getByRole('link', { name: 'First kits' })).toBeVisible();
  await takeDown(page, /^Footer column 4/, 'footer column 4');
  await publish(page);
});

test('the same by keyboard alone', async ({ page }) => {
  await signIn(page);
  const column = frame(page).getByRole('button', { name: /^Footer column 4/ });
  await expect(column).toBeVisible();
  for (let n = 0; n < 40 && !(await column.evaluate((button) => button === document.activeElement)); n += 1)
    await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Name of the new menu' })).toBeFocused();
  await page.keyboard.type('By keys');
  await page.keyboard.press('Enter');
  await expect(field(page)).toBeFocused();
  await addThree(page);
  await page.keyboard.press('Escape');
  await expect(outline(page).locator(':focus')).toHaveCount(1);
  for (let n = 0; n < 3; n += 1) {
    await page.keyboard.press('Control+z');
    await expect(outline(page).getByRole('treeitem')).toHaveCount(2 - n);
  }
  await page.keyboard.press('Control+z');
  await expect(told(page)).toContainText('Taken back: The menu is made.');
});

test('the same by touch, and every act on a line without a key', async ({ browser }) => {
  const context = await browser.newContext({ hasTouch: true, viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await signIn(page);
  await frame(page)
    .getByRole('button', { name: /^Footer column 4/ })
    .tap();
  await page.getByRole('textbox', { name: 'Name of the new menu' }).tap();
  await page.keyboard.type('By touch');
  await page.getByRole('button', { name: 'Make it' }).tap();
  await expect(field(page)).toBeFocused();
  for (const [letters, name] of [
    ['valley', 'Made in the valley'],
    ['small gif', 'Small gifts'],
    ['first kits', 'First kits'],
  ] as const) {
    await page.keyboard.type(letters);
    await page
      .getByRole('option', { name: new RegExp(name) })
      .first()
      .tap();
    await expect(line(page, name)).toBeVisible();
  }
  const more = async (name: string, what: RegExp) => {
    await page.getByRole('button', { name: `Acts for ${name}` }).tap();
    await page.getByRole('menuitem', { name: what }).tap();
  };
  await more('First kits', /^Up/);
  await expect.poll(() => outlined(page)).toEqual(['1 Made in the valley', '1 First kits', '1 Small gifts']);
  await more('First kits', /^A level in/);
  await expect.poll(() => outlined(page)).toEqual(['1 Made in the valley', '2 First kits', '1 Small gifts']);
  await more('Small gifts', /^Switch off/);
  await expect(line(page, 'Small gifts')).toContainText('off');
  await page.getByRole('button', { name: 'Fold Made in the valley' }).tap();
  await expect(line(page, 'First kits')).toHaveCount(0);
  await page.getByRole('button', { name: 'Unfold Made in the valley' }).tap();
  // Dragged by a long touch: below the first, a level further out.
  const client = await context.newCDPSession(page);
  const [from, to] = [await boxOf(line(page, 'First kits')), await boxOf(line(page, 'Small gifts'))];
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', x: number, y: number) =>
    client.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [{ x, y }] });
  await touch('touchStart', from.x + 300, from.y + 10);
  await page.waitForTimeout(400);
  for (const step of [0.25, 0.5, 0.75, 1])
    await touch('touchMove', from.x + 300 - 30 * step, from.y + 10 + (to.y + to.height - from.y) * step);
  await expect(page.getByText('on the first level')).toBeVisible();
  await touch('touchEnd', 0, 0);
  await expect.poll(() => outlined(page)).toEqual(['1 Made in the valley', '1 Small gifts', '1 First kits']);
  await more('First kits', /^Remove it/);
  await expect(line(page, 'First kits')).toHaveCount(0);
  await takeDown(page, /^Footer column 4/, 'footer column 4');
  await context.close();
});

test('at 1280x800 there is room for eighteen lines, for eight with everything about one open, at 900x700 for twelve', async ({ page }) => {
  await signIn(page);
  await openHeader(page);
  const inSight = () =>
    outline(page)
      .getByRole('treeitem')
      .evaluateAll((items) => {
        const box = document.querySelector('[data-scroller]')?.getBoundingClientRect();
        return items.filter((item) => {
          const { top, bottom } = item.getBoundingClientRect();
          return box !== undefined && top >= box.top && bottom <= box.bottom;
        }).length;
      });
  await expect.poll(inSight).toBeGreaterThanOrEqual(18);
  await line(page, 'Journal').focus();
  await page.keyboard.press('e');
  const panel = page.getByRole('region', { name: 'Everything about Journal' });
  await expect(panel).toBeVisible();
  await expect.poll(inSight).toBeGreaterThanOrEqual(8);
  expect(await panel.evaluate((box) => box.scrollHeight <= box.clientHeight)).toBe(true);
  await page.keyboard.press('e');
  await page.setViewportSize({ width: 900, height: 700 });
  await expect.poll(inSight).toBeGreaterThanOrEqual(12);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(900);
});

test('what has no place yet is made where it should lead, and its sheet leads back to the line', async ({ page }) => {
  await signIn(page);
  await openBay(page, /^Footer column 2/);
  await line(page, 'Imprint').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('Gift cards');
  await expect(page.getByRole('option', { name: /Make a page “Gift cards” here/ }).first()).toBeVisible();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByRole('option', { name: /closed until it has words/ })).toBeVisible();
  // An arrow key changes the kind, and nothing is made by passing over it.
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('option', { name: /Make a policy “Gift cards” here, closed/ })).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Enter');
  await expect(line(page, 'Gift cards')).toBeVisible();
  await expect(line(page, 'Gift cards')).toContainText('Not shown');
  await page.keyboard.press('Escape');
  await expect(line(page, 'Gift cards')).toBeFocused();
  await page.keyboard.press('o');
  await expect(page.getByRole('heading', { level: 1, name: 'Gift cards' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(line(page, 'Gift cards')).toBeFocused();
  for (const [back, left] of [
    ['A step in the menu', 0],
    ['The new page “Gift cards”', 0],
  ] as const) {
    await page.keyboard.press('Control+z');
    await expect(told(page)).toContainText(`Taken back: ${back}`);
    await expect(line(page, 'Gift cards')).toHaveCount(left);
  }
});

test('a place is put into a menu from its sheet, and its address is copied with one act', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'], { origin: admin });
  await signIn(page);
  await sheetOf(page, 'sheet+sizes', 'Sheet sizes');
  await page.getByRole('button', { name: 'Copy the address' }).click();
  await expect(told(page)).toContainText('/help/sheet-sizes');
  expect(await page.evaluate(() => navigator.clipboard.readText())).toMatch(/^http.*\/help\/sheet-sizes$/);
  await expect(page.getByText('Everybody can open it.')).toBeVisible();
  const put = page.getByRole('combobox', { name: 'Put into a menu' });
  // On the first level of the header there is no room for it, and that is told before it is there.
  await put.fill('header');
  await expect(page.getByRole('option').first()).toContainText('two lines');
  await put.fill('header threads');
  await expect(page.getByRole('option').first()).toContainText('Header › Threads');
  await put.press('Enter');
  await expect(told(page)).toContainText('“Sheet sizes” stands in Header › Threads.');
  await page.getByRole('link', { name: 'Go to the line' }).click();
  await expect(line(page, 'Sheet sizes')).toBeFocused();
  await page.keyboard.press('Control+z');
  await expect(line(page, 'Sheet sizes')).toHaveCount(0);
});

test('a connection that is lost costs no letter: what was typed stays, and is kept when it is back', async ({ page, context }) => {
  await signIn(page);
  await sheetOf(page, 'sheet+sizes', 'Sheet sizes');
  await context.route('**/api/**', (route) => route.abort());
  await title(page).fill('Sizes of sheets');
  await expect(page.getByRole('alert').filter({ hasText: 'The server does not answer' })).toBeVisible();
  // Nothing is taken off the screen, and leaving is asked about.
  await expect(title(page)).toHaveValue('Sizes of sheets');
  await page.getByRole('link', { name: 'Redirects' }).click();
  await expect(page.getByRole('dialog', { name: 'Something is not kept yet' })).toContainText('“Title” could not be kept');
  await page.getByRole('button', { name: 'Stay here' }).click();
  await expect(title(page)).toHaveValue('Sizes of sheets');
  await context.unroute('**/api/**');
  await expect(page.getByRole('heading', { level: 1, name: 'Sizes of sheets' })).toBeVisible({ timeout: 12_000 });
  await expect(page.getByRole('alert').filter({ hasText: 'The server does not answer' })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await page.getByRole('heading', { level: 1 }).focus();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('heading', { level: 1, name: 'Sheet sizes' })).toBeVisible();
});

for (const [what, away] of [
  ['PostgreSQL', databaseAway],
  ['php-fpm', phpAway],
] as const) {
  test(`${what} may go away while somebody types`, async ({ page }) => {
    await signIn(page);
    await sheetOf(page, 'sheet+sizes', 'Sheet sizes');
    const back = away();
    try {
      await title(page).fill('Sizes of sheets');
      await expect(page.getByRole('alert').filter({ hasText: 'stays here' }).first()).toBeVisible();
      await title(page).pressSequentially(', all of them');
      await expect(title(page)).toHaveValue('Sizes of sheets, all of them');
    } finally {
      back();
    }
    // It goes on by itself.
    await expect(page.getByRole('heading', { level: 1, name: 'Sizes of sheets, all of them' })).toBeVisible({ timeout: 20_000 });
    await expect(page.getByRole('alert').filter({ hasText: 'stays here' })).toHaveCount(0);
    await title(page).fill('Sheet sizes');
    await title(page).press('Enter');
    await expect(page.getByRole('heading', { level: 1, name: 'Sheet sizes' })).toBeVisible();
  });
}

test('a reload in the middle brings back what was typed', async ({ page, context }) => {
  await signIn(page);
  await sheetOf(page, 'sheet+sizes', 'Sheet sizes');
  await context.route('**/api/places/*', (route) => (route.request().method() === 'PATCH' ? route.abort() : route.continue()));
  await title(page).fill('Sizes, all of them');
  await expect(page.getByText('The server cannot be reached.').first()).toBeVisible();
  page.once('dialog', (dialog) => void dialog.accept());
  await page.reload();
  await expect(title(page)).toHaveValue('Sizes, all of them');
  await context.unroute('**/api/places/*');
  await title(page).press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'Sizes, all of them' })).toBeVisible();
  await title(page).fill('Sheet sizes');
  await title(page).press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'Sheet sizes' })).toBeVisible();
});

test('a session that ended says so, and after signing in in another tab all goes on', async ({ page, context }) => {
  await signIn(page);
  await sheetOf(page, 'sheet+sizes', 'Sheet sizes');
  await context.clearCookies();
  await title(page).fill('Sizes of sheets');
  await expect(page.getByText('Your session has ended. What you typed stays here.')).toBeVisible();
  const other = await context.newPage();
  await signIn(other);
  await other.close();
  // It goes on by itself, and the edit that waited goes through, with the token of the new session.
  await expect(page.getByRole('heading', { level: 1, name: 'Sizes of sheets' })).toBeVisible();
  await title(page).fill('Sheet sizes');
  await title(page).press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'Sheet sizes' })).toBeVisible();
});

test('the Back key keeps what was typed a moment ago', async ({ page }) => {
  await signIn(page);
  await sheetOf(page, 'sheet+sizes', 'Sheet sizes');
  await title(page).fill('Sizes by the sheet');
  await page.goBack();
  await expect(page.getByRole('searchbox', { name: 'Search places' })).toBeVisible();
  await page.getByRole('searchbox', { name: 'Search places' }).fill('by the sheet');
  await expect(page.getByRole('link', { name: 'Sizes by the sheet' })).toBeVisible();
  // One undo for the whole program, wherever one is.
  await page.getByRole('link', { name: 'Redirects' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Redirects' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(told(page)).toContainText('Taken back: The title of “Sheet sizes”');
});

test('two people in one field: both see it, and nothing is written over', async ({ page, browser }) => {
  await signIn(page, 'owner');
  await sheetOf(page, 'sheet+sizes', 'Sheet sizes');
  const other = await (await browser.newContext()).newPage();
  await signIn(other, 'editor');
  await sheetOf(other, 'sheet+sizes', 'Sheet sizes');
  await page.route('**/api/places/*', (route) => (route.request().method() === 'PATCH' ? route.abort() : route.continue()));
  await title(page).fill('Sizes of mine');
  await expect(page.getByText('The server cannot be reached.').first()).toBeVisible();
  await title(other).fill('Sizes of theirs');
  await title(other).press('Enter');
  await expect(other.getByRole('heading', { level: 1, name: 'Sizes of theirs' })).toBeVisible();
  await page.unroute('**/api/places/*');
  await expect(page.getByText('Somebody else wrote “Sizes of theirs” meanwhile.')).toBeVisible({ timeout: 12_000 });
  await expect(title(page)).toHaveValue('Sizes of mine');
  await page.getByRole('button', { name: 'Take theirs' }).click();
  await expect(title(page)).toHaveValue('Sizes of theirs');
  await title(page).fill('Sheet sizes');
  await title(page).press('Enter');
  await expect(other.getByRole('heading', { level: 1, name: 'Sheet sizes' })).toBeVisible({ timeout: 9_000 });
});

test('two quick choices about one line both hold', async ({ page }) => {
  await signIn(page);
  await openBay(page, /^Footer column 2/);
  await line(page, 'Imprint').focus();
  await page.keyboard.press('e');
  const panel = page.getByRole('region', { name: 'Everything about Imprint' });
  await panel.getByRole('radio', { name: 'Customers' }).click();
  await panel.getByRole('switch', { name: 'On' }).click();
  await panel.getByRole('textbox', { name: 'Note for colleagues' }).fill('Until spring');
  await page.keyboard.press('Enter');
  await expect(line(page, 'Imprint')).toContainText('customers only');
  await expect(line(page, 'Imprint')).toContainText('off');
  await expect(line(page, 'Imprint')).toContainText('Until spring');
  await page.reload();
  await expect(line(page, 'Imprint')).toContainText('customers only');
  await expect(line(page, 'Imprint')).toContainText('off');
  await expect(line(page, 'Imprint')).toContainText('Until spring');
  for (let n = 3; n > 0; n -= 1) {
    await page.keyboard.press('Control+z');
    await expect(told(page)).toContainText('Taken back');
  }
  await expect(line(page, 'Imprint')).not.toContainText('only');
});

test('an address with a bad percent code takes nothing down', async ({ page }) => {
  await signIn(page);
  await openBay(page, /^Footer column 2/);
  await line(page, 'Imprint').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('https://fair.example/%zz');
  await expect(page.getByRole('option', { name: /an outside address/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(line(page, /^fair\.example/)).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('e');
  await expect(page.getByRole('textbox', { name: /^The address, mail address/ })).toHaveValue(/%zz/);
  await page.keyboard.press('Control+z');
  await expect(line(page, /^fair\.example/)).toHaveCount(0);
});

test('an entry that is touched in the shop chooses its line, and the keys of the whole program work in a dialog', async ({ page }) => {
  await signIn(page);
  await openHeader(page);
  await shopBeside(page).locator('header').getByRole('link', { name: 'Kits', exact: true }).click();
  await expect(line(page, 'Kits')).toBeFocused();
  await expect(shopBeside(page).getByRole('heading', { level: 1 })).toContainText('Papers, threads');
  await page.keyboard.press('.');
  await expect(line(page, 'Kits')).toContainText('off');
  await act(page, /^More for/, 'From a list…');
  await expect(page.getByRole('dialog', { name: 'From a list' })).toBeVisible();
  // A key pressed here reaches nothing behind it, but those of the whole program do what they do everywhere.
  await page.getByRole('textbox', { name: 'The lines' }).press('Delete');
  await page.getByRole('textbox', { name: 'The lines' }).blur();
  await page.keyboard.press('Control+z');
  await expect(told(page)).toContainText('Taken back');
  await expect(page.getByRole('dialog', { name: 'From a list' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(line(page, 'Kits')).not.toContainText('off');
  await page.goto(`${admin}/places/policies`);
  await expect(page.getByRole('heading', { level: 1, name: 'Policies' })).toBeFocused();
  await expect(page).toHaveTitle('Policies · Gentle Lantern');
  await page.goto(`${admin}/policies`);
  await expect(page.getByRole('heading', { level: 1, name: 'Policies' })).toBeVisible();
});
