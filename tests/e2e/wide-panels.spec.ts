import { execFileSync } from 'node:child_process';
import { expect, type Page, test } from '@playwright/test';
import { act, admin, boxOf, choose, line, openHeader, outline, publish, shopBeside, signIn, visitor } from './shop';

/** Makes the shop one whose dropdowns are plain and whose front page has only words. */
function plainShop(): void {
  const laidOut = "(SELECT id FROM menu WHERE kind IN ('page', 'panel'))";
  for (const rows of ['step WHERE menu_id', 'menu_change WHERE menu_id', 'entry WHERE menu_id', 'menu WHERE id'])
    execFileSync('php', ['bin/console', 'dbal:run-sql', `DELETE FROM ${rows} IN ${laidOut}`]);
}

const field = (page: Page) => page.getByRole('combobox', { name: 'What should stand here?' });
const everything = (page: Page) => page.getByRole('region', { name: /^Everything about/ });

/** The same acts by one hand and by the other. */
type Hand = {
  on: (page: Page, label: string | RegExp, nth?: number) => Promise<void>;
  add: (page: Page, words: string, option: RegExp) => Promise<void>;
  open: (page: Page) => Promise<void>;
  done: (page: Page) => Promise<void>;
  widePanel: (page: Page, entry: string) => Promise<void>;
  press: (page: Page, role: 'radio' | 'switch' | 'button', name: string | RegExp) => Promise<void>;
  rename: (page: Page, name: string) => Promise<void>;
};

let current = '';

const mouse: Hand = {
  on: async (page, label, nth = -1) => {
    const found = nth < 0 ? line(page, label).last() : line(page, label).nth(nth);
    await found.scrollIntoViewIfNeeded();
    const box = await boxOf(found);
    await found.click({ position: { x: box.width - 60, y: 12 } });
    current = (await found.getAttribute('data-line')) ?? '';
  },
  add: async (page, words, option) => {
    await field(page).fill(words);
    await expect(page.getByRole('option').first()).toContainText(option);
    await page.getByRole('option').first().click();
    await expect(field(page)).toHaveValue('');
  },
  open: async (page) => {
    await page.locator(`[data-line="${current}"]`).hover();
    await act(page.locator(`[data-line="${current}"]`), /^Acts for/, /^Everything/);
    await expect(everything(page)).toBeVisible();
  },
  done: async (page) => {
    await page.getByRole('button', { name: 'Done' }).click();
    await expect(everything(page)).toHaveCount(0);
  },
  widePanel: async (page, entry) => {
    await line(page, entry).hover();
    await act(page, `Acts for ${entry}`, /wide panel/);
  },
  press: async (page, role, name) =>
    everything(page)
      .getByRole(role, { name, exact: typeof name === 'string' })
      .click(),
  rename: async (page, name) => {
    await act(page.locator(`[data-line="${current}"]`), /^Acts for/, /^Edit the label/);
    await outline(page).getByRole('textbox').fill(name);
    await page.keyboard.press('Enter');
  },
};

const keyboard: Hand = {
  on: async (page, label, nth = -1) => {
    const found = nth < 0 ? line(page, label).last() : line(page, label).nth(nth);
    await found.focus();
  },
  add: async (page, words, option) => {
    await page.keyboard.press('/');
    await expect(field(page)).toBeFocused();
    await page.keyboard.type(words);
    await expect(page.getByRole('option').first()).toContainText(option);
    await page.keyboard.press('Enter');
    await expect(field(page)).toHaveValue('');
    await page.keyboard.press('Escape');
    await expect(page.locator('[data-line]:focus')).toBeVisible();
  },
  open: async (page) => {
    await page.keyboard.press('e');
    await expect(everything(page)).toBeVisible();
  },
  done: async (page) => {
    await everything(page).getByRole('button', { name: 'Done' }).focus();
    await page.keyboard.press('Enter');
    await expect(everything(page)).toHaveCount(0);
  },
  widePanel: async (page, entry) => {
    await line(page, entry).focus();
    await page.keyboard.press('w');
  },
  press: async (page, role, name) => {
    await everything(page)
      .getByRole(role, { name, exact: typeof name === 'string' })
      .focus();
    await page.keyboard.press('Space');
  },
  rename: async (page, name) => {
    await page.keyboard.press('F2');
    await page.keyboard.press('Control+a');
    await page.keyboard.type(name);
    await page.keyboard.press('Enter');
  },
};

for (const [how, hand] of [
  ['mouse', mouse],
  ['keyboard', keyboard],
] as const) {
  test(`three wide panels and the front page are laid out by ${how}, and published in one step`, async ({ page, browser }) => {
    test.setTimeout(240_000);
    plainShop();
    await signIn(page);
    const shop = shopBeside(page);
    const panel = shop.locator('.panel:visible');

    // Papers: three columns under headings, a divider, a picture and four reduced products.
    await openHeader(page);
    await hand.widePanel(page, 'Papers');
    await expect(line(page, 'Column')).toHaveCount(3);
    await hand.on(page, 'Marbled papers', 0);
    await hand.add(page, 'divider', /divider/);
    await hand.on(page, 'Column', 2);
    await hand.add(page, 'picture', /picture/);
    await hand.on(page, 'Picture');
    await hand.open(page);
    await page.getByRole('button', { name: 'Choose a picture' }).click();
    await page.getByRole('combobox', { name: 'One of the shop’s pictures' }).fill('half folded');
    await page.getByRole('option', { name: /half folded/ }).click();
    await expect(panel.locator('.piece-picture img')).toBeVisible();
    await hand.done(page);
    await hand.on(page, 'Band');
    await hand.add(page, 'column', /column/);
    await hand.on(page, 'Column', 3);
    await hand.add(page, 'Reduced for now', /Reduced|heading/);
    await hand.on(page, 'Column', 3);
    await hand.add(page, 'products', /products/);
    await hand.on(page, /products that are new/);
    await hand.open(page);
    await choose(everything(page), 'Products', 'that are reduced');
    await expect(panel.locator('.product-card')).toHaveCount(4);
    await hand.done(page);

    // Tools: three tabs down its side, each with products of another category.
    await page.getByRole('link', { name: /The menu/ }).click();
    await hand.widePanel(page, 'Tools');
    await hand.on(page, 'Column', 0);
    await hand.add(page, 'tabs', /tabs/);
    await hand.on(page, /^Second/);
    await hand.add(page, 'tab', /tab/);
    await hand.on(page, /^Tabs/);
    await hand.open(page);
    await hand.press(page, 'switch', 'Beside what they show');
    await hand.done(page);
    for (const [nth, [tab, letters]] of (
      [
        [/^First/, 'folding and'],
        [/^Second/, 'sewing'],
        [/^Tab,/, 'cutting'],
      ] as const
    ).entries()) {
      await hand.on(page, tab);
      await hand.add(page, letters, new RegExp(letters, 'i'));
      await hand.on(page, tab);
      await hand.rename(page, `Tab ${nth + 1} of ours`);
      await expect(line(page, `Tab ${nth + 1} of ours`)).toBeVisible();
    }
    await expect(panel.getByRole('tab')).toHaveText(['Tab 1 of ours', 'Tab 2 of ours', 'Tab 3 of ours']);

    // Kits: a carousel from which visitors put things into their basket, and a link that is too pale.
    await page.getByRole('link', { name: /The menu/ }).click();
    await hand.widePanel(page, 'Kits');
    await hand.on(page, 'Column', 0);
    await hand.add(page, 'products', /products/);
    await hand.on(page, /products that are new/);
    await hand.open(page);
    await hand.press(page, 'radio', 'a carousel');
    await hand.press(page, 'switch', 'Add to basket');
    await expect(panel.locator('.carousel .to-basket').first()).toBeAttached();
    await hand.done(page);
    await hand.on(page, 'Band');
    await hand.open(page);
    await everything(page).getByLabel('Links', { exact: true }).fill('#c99a2e');
    await expect(everything(page).getByText(/^Links on this ground have a contrast of/)).toBeVisible();
    await hand.press(page, 'button', /^Take #/);
    await expect(everything(page).getByText(/^Links on this ground/)).toHaveCount(0);
    await hand.done(page);
    // On a desk, a tablet and a phone; there the drawer has it.
    const beside = page.getByRole('region', { name: 'The shop as visitors get it' });
    for (const width of ['Tablet', 'Phone']) {
      await beside.getByRole('radio', { name: width }).click();
      await expect(panel).toHaveCount(0);
      await expect(shop.locator('.drawer li details[open] > summary')).toHaveText('Kits');
      await expect(shop.locator('.drawer li details[open]').getByRole('link').nth(2)).toBeVisible();
    }
    await beside.getByRole('radio', { name: 'Desk' }).click();
    await expect(panel).toBeVisible();

    // The front page: words in one column, one large product in the other.
    await page.goto(`${admin}/places?kind=front-page`);
    await page.getByRole('link', { name: 'Front page', exact: true }).click();
    await page.getByRole('button', { name: 'Lay it out in bands and columns' }).click();
    await hand.on(page, 'Column', 0);
    await hand.add(page, 'Two people and a press', /Two people and a press/);
    await hand.on(page, 'Column', 0);
    await hand.add(page, 'words', /words/);
    await hand.on(page, 'Band', 0);
    await hand.add(page, 'column', /column/);
    await hand.on(page, 'Column', 1);
    await hand.add(page, 'awl, fine', /Awl, fine/);
    await expect(shop.locator('main .band .one-product')).toContainText('Awl, fine');
    await hand.on(page, /, words/);
    if (how === 'mouse') await act(page.locator('[data-line]:focus'), /^Acts for/, /^Everything/);
    else await page.keyboard.press('e');
    await page.locator('.written').click();
    await page.keyboard.type('Imke bought a nipping press.');
    await expect(shop.locator('main .band .words').last()).toContainText('Imke bought a nipping press.');
    await publish(page);

    const guest = await visitor(browser, '/');
    await expect(guest.locator('main .one-product')).toContainText('Awl, fine');
    await expect(guest.locator('main')).toContainText('Imke bought a nipping press.');
    const below = async (entry: string) => {
      await guest.getByRole('button', { name: `More below ${entry}` }).click();
      return guest.locator('.panel:visible');
    };
    await expect((await below('Papers')).locator('.band__column')).toHaveCount(4);
    await expect(guest.locator('.panel:visible .product-card')).toHaveCount(4);
    await expect((await below('Tools')).getByRole('tab')).toHaveCount(3);
    await (await below('Kits'))
      .getByRole('button', { name: /^Add to basket / })
      .first()
      .click();
    await expect(guest.locator('.shop-header').getByRole('link', { name: /Basket/ })).toContainText('1');
  });
}
