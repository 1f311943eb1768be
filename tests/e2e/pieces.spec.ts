import AxeBuilder from '@axe-core/playwright';
import { expect, type Page, test } from '@playwright/test';
import {
  act,
  admin,
  axeFinds,
  boxOf,
  choose,
  line,
  openHeader,
  outline,
  outlined,
  publish,
  shopBeside,
  signIn,
  storefront,
  told,
  visitor,
} from './shop';

const field = (page: Page) => page.getByRole('combobox', { name: 'What should stand here?' });

/** Types what should stand there, and adds what is found first. */
const stand = async (page: Page, words: string, option: RegExp) => {
  await field(page).focus();
  await page.keyboard.type(words);
  await expect(page.getByRole('option').first()).toContainText(option);
  await page.keyboard.press('Enter');
  await expect(field(page)).toHaveValue('');
};

const openPanel = async (page: Page, entry: string) => {
  await openHeader(page);
  await line(page, entry).focus();
  await act(page, `Acts for ${entry}`, /wide panel/);
  await expect(page.getByText(/^The wide panel of/)).toBeVisible();
  await expect(outline(page)).toBeVisible();
};

test('a dropdown becomes a wide panel, is laid out by keyboard, and visitors get it with the next release', async ({ page, browser }) => {
  await signIn(page);
  await openPanel(page, 'Threads');
  // What the dropdown had stands there as links.
  await expect(line(page, 'Linen thread')).toBeVisible();
  await expect(
    shopBeside(page)
      .locator('.has-panel .panel')
      .filter({ has: page.locator('a:visible') }),
  ).toContainText('Linen thread');
  await line(page, 'Band').focus();
  await page.keyboard.press('/');
  await stand(page, 'column', /column/);
  await expect(line(page, 'Column')).toHaveCount(2);
  await stand(page, 'Reduced for now', /Reduced|heading/);
  await stand(page, 'divider', /divider/);
  await stand(page, 'products', /products/);
  await expect(line(page, /products that are new/)).toBeVisible();
  // What it shows is chosen beside it, and seen at once.
  await field(page).press('Escape');
  await expect(line(page, /products that are new/)).toBeFocused();
  await page.keyboard.press('e');
  const panel = page.getByRole('region', { name: /^Everything about/ });
  await choose(panel, 'Products', 'that are reduced');
  await expect(line(page, /products that are reduced/)).toBeVisible();
  // By a tag, once it is said which; taken back, it asks no longer.
  await choose(panel, 'Products', 'with a tag');
  await expect(line(page, /products that are reduced/)).toBeVisible();
  await panel.getByRole('textbox', { name: 'Tag' }).fill('gift');
  await page.keyboard.press('Enter');
  await expect(line(page, /products tagged “gift”/)).toBeVisible();
  await panel.getByRole('button', { name: 'Done' }).click();
  await page.keyboard.press('Control+z');
  await expect(line(page, /products that are reduced/)).toBeVisible();
  await page.keyboard.press('e');
  await expect(panel.getByRole('textbox', { name: 'Tag' })).toHaveCount(0);
  await panel.getByRole('radio', { name: 'a row' }).click();
  await expect(shopBeside(page).locator('.panel:visible .products--row li')).toHaveCount(4);
  await publish(page);
  const guest = await visitor(browser, '/');
  await guest.getByRole('button', { name: 'More below Threads' }).click();
  await expect(guest.locator('.panel:visible').getByRole('link', { name: 'Linen thread' })).toBeVisible();
  await expect(guest.locator('.panel:visible .products--row li')).toHaveCount(4);
  // All of it goes with the panel, and the plain dropdown is back.
  await line(page, 'Wide panel').focus();
  await page.keyboard.press('Delete');
  await publish(page);
  await guest.reload();
  await guest.getByRole('button', { name: 'More below Threads' }).click();
  await expect(guest.locator('.dropdown:visible:not(.panel)').getByRole('link', { name: 'Linen thread' })).toBeVisible();
});

test('a page is laid out in two columns, with words in one and a product in the other, and taken back', async ({ page, browser }) => {
  await signIn(page);
  await page.goto(`${admin}/places?q=our+makers`);
  await page.getByRole('link', { name: 'Our makers', exact: true }).click();
  await page.getByRole('button', { name: 'Lay it out in bands and columns' }).click();
  await expect(outline(page)).toBeVisible();
  expect((await outlined(page)).map((one) => one[0])).toEqual(['1', '2', '3']);
  const wordsLine = outline(page).getByRole('treeitem').nth(2);
  await line(page, 'Band').focus();
  await stand(page, 'column', /column/);
  await stand(page, 'awl, fine', /Awl, fine/);
  await expect(line(page, 'Awl')).toBeVisible();
  await expect(shopBeside(page).locator('.one-product')).toContainText('Awl, fine');
  // Words are written as they are everywhere.
  await wordsLine.focus();
  await page.keyboard.press('e');
  await page.locator('.written').click();
  await page.keyboard.press('Control+Home');
  await page.keyboard.type('By hand, all of it. ');
  await expect(shopBeside(page).locator('main .band .words')).toContainText('By hand, all of it.');
  await page.getByRole('button', { name: 'Done' }).click();
  // A column is given a number of parts, and moved before the other, by the keys of an outline.
  await line(page, 'Column').last().focus();
  await page.keyboard.press('e');
  await page.getByRole('textbox', { name: 'Parts of the width' }).fill('2');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Done' }).click();
  await line(page, 'Column').last().focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect.poll(async () => (await outlined(page)).join()).toMatch(/^1 Band,2 Column,3 Awl/);
  await publish(page);
  const guest = await visitor(browser, '/about-us/our-makers');
  await expect(guest.locator('main .band__column').first().locator('.one-product')).toBeVisible();
  const [product, words] = [
    await boxOf(guest.locator('main .band__column').first()),
    await boxOf(guest.locator('main .band__column').last()),
  ];
  expect(product.width / words.width).toBeGreaterThan(1.7);
  // On a phone, one below the other.
  await guest.setViewportSize({ width: 390, height: 800 });
  expect(await guest.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  expect((await boxOf(guest.locator('main .band__column').first())).width).toBeGreaterThan(300);
});

test('pieces are written, and columns made wider, where they stand in the shop', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/places?q=our+makers`);
  await page.getByRole('link', { name: 'Our makers', exact: true }).click();
  const begin = page.getByRole('button', { name: 'Lay it out in bands and columns' });
  await expect(outline(page).or(begin)).toBeVisible();
  if (await begin.isVisible()) await begin.click();
  await expect(outline(page)).toBeVisible();
  const shop = shopBeside(page);
  const words = shop.locator('main .band .words');
  // What is under the pointer says what it is; a touch chooses it, another one writes in it.
  await words.hover();
  await expect(shop.locator('.piece-frame')).toHaveText('Words');
  await words.click();
  await expect(page.locator('[data-line]:focus')).toHaveAccessibleName(/, words/);
  await expect(shop.locator('.piece-frame')).toHaveText('Words: touch it again to write');
  await words.click();
  const written = shop.getByRole('textbox', { name: 'Words, where they stand' });
  await written.press('Control+Home');
  await written.pressSequentially('Said here: ');
  // The editor beside, which keeps them, has every letter; what is done with its buttons is seen in the shop.
  await expect(page.locator('.written')).toContainText(/^Said here: /);
  await expect(page.getByText('Kept on the workbench.')).toBeVisible();
  const list = page.getByRole('toolbar', { name: 'Writing' }).getByRole('button', { name: 'List' });
  if ((await list.getAttribute('aria-pressed')) !== 'true') await list.click();
  await expect(written.locator('li')).toContainText('Said here: ');
  const axe = await new AxeBuilder({ page }).include(['iframe', 'body']).analyze();
  expect(axe.violations.map(({ id, nodes }) => [id, nodes[0]?.target, nodes[0]?.html])).toEqual([]);
  await written.press('Escape');
  await expect(written).toHaveCount(0);
  await expect(words.locator('li')).toContainText('Said here: ');
  await expect(page.locator('[data-line]:focus')).toHaveAccessibleName(/^Said here.*, words/);
  // By keyboard: F2 goes there, Escape comes back.
  await page.keyboard.press('F2');
  await expect(written).toBeFocused();
  await page.keyboard.type('!');
  await page.keyboard.press('Escape');
  await expect(page.locator('[data-line]:focus')).toHaveAccessibleName(/^Said here.*, words/);
  await page.getByRole('button', { name: 'Done' }).click();
  // A heading and its words.
  await stand(page, 'heading', /heading/);
  await line(page, 'Heading').focus();
  await page.keyboard.press('Alt+ArrowUp');
  const heading = shop.locator('main .band .piece-heading');
  await expect(heading).toHaveText('Heading');
  await heading.click();
  await shop.getByRole('textbox', { name: 'Label' }).fill('Who makes it');
  await page.keyboard.press('Enter');
  await expect(line(page, 'Who makes it')).toBeVisible();
  await expect(heading).toHaveText('Who makes it');
  // The line between two columns is dragged, moved by keys, and from the outline.
  await line(page, 'Band').focus();
  if ((await outlined(page)).filter((one) => one.startsWith('2 Column')).length < 2) await stand(page, 'column', /column/);
  await line(page, 'Column').last().focus();
  if ((await shop.locator('main .band__column').count()) < 2) await stand(page, 'awl, fine', /Awl, fine/);
  const handle = shop.getByRole('separator', { name: 'Width of column 1' });
  await expect(shop.locator('main .band__column')).toHaveCount(2);
  // The shop may still be drawing what came in last when the line is taken: then it is taken once more.
  let before = 0;
  await expect(async () => {
    const [box, band] = [await boxOf(handle), await boxOf(shop.locator('main .band__columns'))];
    before = Number(await handle.getAttribute('aria-valuenow'));
    await page.mouse.move(box.x + box.width / 2, box.y + 20);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 - (2 * band.width) / 12, box.y + 30, { steps: 4 });
    await page.mouse.up();
    await expect(handle).toHaveAttribute('aria-valuenow', String(before - 2), { timeout: 4000 });
  }).toPass();
  await handle.press('ArrowRight');
  await expect(handle).toHaveAttribute('aria-valuenow', String(before - 1));
  await expect(handle).toBeFocused();
  await handle.press('Escape');
  await expect(page.locator('[data-line]:focus')).toHaveAccessibleName(/^Band/);
  await line(page, 'Column').first().focus();
  await page.keyboard.press('+');
  await expect(handle).toHaveAttribute('aria-valuenow', String(before));
  // What is seen there is what is kept.
  await page.reload();
  await expect(handle).toHaveAttribute('aria-valuenow', String(before));
  await publish(page);
});

test('a link that is too pale on its ground is told, with the colour that would do', async ({ page }) => {
  await signIn(page);
  await openPanel(page, 'Kits');
  await line(page, 'Band').focus();
  await page.keyboard.press('e');
  await expect(page.getByText('Links on this ground have a contrast of 3.1 to 1')).toBeVisible();
  await page.getByRole('button', { name: /^Take #/ }).click();
  await expect(page.getByText('Links on this ground')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(told(page)).toContainText('Taken back');
});

test('tabs and carousels are worked by keys, and stand open without a script', async ({ page, browser }) => {
  await page.goto(storefront);
  await page.getByRole('button', { name: 'More below Tools' }).focus();
  await page.keyboard.press('Enter');
  const tabs = page.locator('.panel:visible');
  await expect(tabs.getByRole('tab', { name: 'Folding' })).toHaveAttribute('aria-selected', 'true');
  await expect(tabs.getByRole('tabpanel')).toHaveCount(1);
  await tabs.getByRole('tab', { name: 'Folding' }).focus();
  await page.keyboard.press('ArrowDown');
  await expect(tabs.getByRole('tab', { name: 'Sewing' })).toBeFocused();
  await expect(tabs.getByRole('tabpanel', { name: 'Sewing' })).toBeVisible();
  await page.keyboard.press('End');
  await expect(tabs.getByRole('tabpanel', { name: 'Cutting' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'More below Tools' })).toBeFocused();
  await expect(page.locator('.panel:visible')).toHaveCount(0);
  const carousel = page.getByRole('region', { name: 'New this season' });
  const row = carousel.getByRole('group', { name: 'New this season, scrolls sideways' });
  await carousel.getByRole('button', { name: 'Next', exact: true }).click();
  await expect.poll(() => row.evaluate((one) => one.scrollLeft)).toBeGreaterThan(100);
  for (const [width, open] of [
    [1280, 'Tools'],
    [1280, 'Papers'],
    [390, null],
  ] as const) {
    await page.setViewportSize({ width, height: 800 });
    if (open) await page.getByRole('button', { name: `More below ${open}` }).click();
    expect(await axeFinds(page)).toEqual([]);
    await page.keyboard.press('Escape');
  }
  const plain = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
  await plain.goto(storefront);
  await plain.getByRole('link', { name: 'Tools', exact: true }).first().hover();
  for (const name of ['Folding', 'Sewing', 'Cutting'])
    await expect(plain.locator('.panel:visible').getByRole('heading', { name, exact: true })).toBeVisible();
});

test('what is put into the basket is counted, listed and taken out, with and without a script', async ({ page, browser }) => {
  await page.goto(storefront);
  await page.getByRole('button', { name: 'Add to basket Bone folder, pointed' }).click();
  await expect(page.locator('[data-basket-count]').first()).toHaveText('(1)');
  await expect(page.getByRole('status').filter({ hasText: 'In the basket' })).toHaveCount(1);
  await page.getByRole('link', { name: /^Basket/ }).click();
  await expect(page.getByRole('row', { name: /Bone folder, pointed/ })).toBeVisible();
  await page.getByRole('button', { name: 'Take it out Bone folder, pointed' }).click();
  await expect(page.getByText('Nothing is in your basket yet.')).toBeVisible();
  const plain = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
  await plain.goto(`${storefront}/products/bone-folder-pointed`);
  await plain.getByRole('button', { name: 'Add to basket Bone folder, pointed' }).click();
  await expect(plain.getByRole('heading', { name: 'Your basket' })).toBeVisible();
  await expect(plain.getByRole('row', { name: /Bone folder, pointed/ })).toBeVisible();
  // A cookie that somebody else wrote is no basket.
  await plain.context().addCookies([{ name: 'basket', value: '%00*9.x*1.<b>', url: storefront }]);
  await plain.goto(`${storefront}/basket`);
  await expect(plain.getByText('Nothing is in your basket yet.')).toBeVisible();
});

test('the height that the core computes for a panel is the height that it has, and one that reaches too far down is told', async ({
  page,
}) => {
  await signIn(page);
  for (const entry of ['Papers', 'Tools', 'Kits']) {
    await openPanel(page, entry);
    const id = new URL(page.url()).pathname.split('/').pop();
    const { height, fit } = (await (await page.request.get(`${admin}/api/menus/${id}`)).json()) as { height: number; fit: string };
    expect(fit).toBe('');
    const desk = await page.context().newPage();
    await desk.setViewportSize({ width: 1280, height: 800 });
    await desk.goto(storefront);
    await desk.getByRole('button', { name: `More below ${entry}` }).click();
    const shown = await boxOf(desk.locator('.panel:visible .panel__sheet'));
    expect(Math.abs(shown.height - height) / height, `${entry}: ${shown.height} shown, ${height} computed`).toBeLessThan(0.1);
    await desk.close();
  }
  // Many products in a narrow column reach too far down; the column is named.
  await openPanel(page, 'Papers');
  await line(page, 'Plainer').focus();
  await stand(page, 'products', /products/);
  await field(page).press('Escape');
  await page.keyboard.press('e');
  await page.getByRole('textbox', { name: 'At most' }).fill('12');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'In a window of 720 px the panel reaches below its lower edge' })).toContainText(
    '“Plainer”',
  );
  await page.getByRole('button', { name: 'Done' }).click();
  for (let n = 2; n > 0; n -= 1) {
    await page.keyboard.press('Control+z');
    await expect(told(page)).toContainText('Taken back');
  }
  await expect(page.getByText('In a window of 720 px')).toHaveCount(0);
});
