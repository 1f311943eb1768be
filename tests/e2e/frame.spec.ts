import { type Browser, expect, type Locator, type Page, test } from '@playwright/test';
import {
  act,
  admin,
  axeFinds,
  changeFrame,
  line,
  outline,
  post,
  previewFor,
  publish,
  shopBeside,
  signIn,
  storefront,
  told,
  visitor,
} from './shop';

const frame = (page: Page) => page.getByRole('region', { name: 'The frame of the shop' });
const bay = (page: Page, name: RegExp) => frame(page).getByRole('button', { name });
const card = (page: Page) => page.locator('[data-card]');
const field = (page: Page, name: string) => page.getByRole('combobox', { name });

/** A touch, or the same by the keyboard alone. */
type Hand = (one: Locator) => Promise<void>;
const mouse: Hand = (one) => one.click();
const keyboard: Hand = async (one) => {
  await one.focus();
  await one.page().keyboard.press('Enter');
};

/** Says yes by the link of the letter that an address got last. */
async function sayYes(page: Page, browser: Browser, address: string): Promise<Page> {
  await page.goto(`${admin}/mailbox`);
  const mail = page.getByRole('button', { name: new RegExp(`^${address}`) }).first();
  await expect(mail).toBeVisible({ timeout: 30_000 });
  await mail.click();
  const link = page.getByRole('article').getByRole('link', { name: /\/sign-up\/yes/ });
  const guest = await (await browser.newContext()).newPage();
  await guest.goto((await link.getAttribute('href')) ?? '');
  await guest.getByRole('button', { name: 'Yes, write to me' }).click();
  return guest;
}

for (const [how, press] of [
  ['mouse', mouse],
  ['keyboard', keyboard],
] as const) {
  test(`the whole frame is made anew by ${how}, published in one step, and the looks put back by one undo`, async ({ page, browser }) => {
    test.setTimeout(240_000);
    await signIn(page);
    for (const id of ['second-row', 'footer-3']) await changeFrame(page, { type: 'take-down', bay: id });
    await page.goto(`${admin}/menus`);

    // The header: a drawer on a desk and back, its entries in the middle, and the width at which they stop fitting.
    await press(bay(page, /^Header/));
    await press(card(page).getByRole('radio', { name: 'a drawer' }));
    await expect(bay(page, /^Header/)).toContainText('Menu');
    await press(card(page).getByRole('radio', { name: 'a row' }));
    await press(card(page).getByRole('radio', { name: 'middle' }));
    await expect(card(page).getByPlaceholder(/^\d+, where the entries no longer fit$/)).toBeVisible();
    await page.keyboard.press('Escape');

    // A small second row above it.
    await press(bay(page, /^Second row/));
    const name = card(page).getByRole('textbox').first();
    await expect(name).toBeFocused();
    await page.keyboard.type('Before you ask');
    await page.keyboard.press('Enter');
    await expect(field(page, 'Where should it lead?')).toBeFocused();
    for (const words of ['Delivery', 'When will it come']) {
      await page.keyboard.type(words);
      await expect(page.getByRole('option').first()).toContainText(words);
      await page.keyboard.press('Enter');
      await expect(field(page, 'Where should it lead?')).toHaveValue('');
    }
    await expect(shopBeside(page).locator('.second-row').getByRole('link', { name: 'Delivery' })).toBeVisible();
    await press(page.getByRole('link', { name: 'The whole frame' }));

    // Contact and sign-up into a free column of the footer.
    await press(bay(page, /^Footer column 3/));
    await press(card(page).getByRole('button', { name: /^Put pieces in/ }));
    await expect(outline(page)).toBeVisible();
    // What is typed next goes where the first piece is looked for.
    await expect(field(page, 'What should stand here?')).toBeFocused();
    for (const [letters, option, made] of [
      ['contact', /contact/, /^Contact/],
      ['sign-up', /sign-up/, /^Sign-up/],
    ] as const) {
      const adds = field(page, 'What should stand here?');
      await adds.focus();
      await page.keyboard.type(letters);
      await expect(page.getByRole('option').first()).toContainText(option);
      await page.keyboard.press('Enter');
      await expect(adds).toHaveValue('');
      await expect(line(page, made).last()).toBeVisible();
    }
    await expect(shopBeside(page).locator('[data-bay="footer-3"] .contact')).toContainText('hello@tansyandrook.example');
    await expect(shopBeside(page).locator('[data-bay="footer-3"] form')).toBeVisible();
    await press(page.getByRole('link', { name: 'The whole frame' }));

    // The column is chosen there, and says that the front page has a sign-up of its own already: one of them goes by one act.
    await expect(card(page)).toContainText('“Front page” has a sign-up of its own for “Letters”');
    await press(card(page).getByRole('button', { name: 'Take it out here' }));
    await expect(told(page)).toContainText('The sign-up of the footer is taken out.');
    await expect(card(page)).not.toContainText('sign-up of its own');
    await expect(card(page).getByRole('button', { name: '← Left' })).toBeFocused();
    // Columns are moved and made wider where they are drawn.
    await press(card(page).getByRole('button', { name: '← Left' }));
    await expect(told(page)).toContainText('stands further to the left');
    await press(card(page).getByRole('button', { name: 'Wider' }));
    await expect(told(page)).toContainText(/takes \d of the footer’s parts/);
    await page.keyboard.press('Escape');

    // Looks: a typeface in which the header no longer fits is told at once, and so is a colour that is too pale.
    await press(frame(page).getByRole('link', { name: /^Looks/ }));
    const of = (group: string) => page.getByRole('radiogroup', { name: group, exact: true });
    const wrong = page.getByRole('list', { name: 'What would be hard to read or no longer fits' });
    await press(of('Headings are set in').getByRole('radio', { name: 'Playfair Display' }));
    await press(of('Words are set in').getByRole('radio', { name: 'Red Hat Mono' }));
    await expect(wrong).toContainText('“Boards and cloth” takes the most room');
    await press(of('Words are set in').getByRole('radio', { name: 'Nunito' }));
    await press(of('Size of all type').getByRole('radio', { name: '× 0.95' }));
    await press(of('Corners of buttons').getByRole('radio', { name: 'sharp' }));
    const accent = page.getByRole('textbox', { name: 'Accent', exact: true });
    await accent.fill('#5aa9b8');
    await accent.press('Enter');
    await expect(wrong).toContainText(/^Links on /);
    await press(wrong.getByRole('button', { name: /^Take #/ }));
    await expect(wrong).toHaveCount(0);

    await publish(page);
    for (const [path, width] of [
      ['/', 1280],
      ['/papers', 1280],
      ['/', 390],
    ] as const) {
      const guest = await visitor(browser, path, { width, height: 800 });
      await expect(guest.locator('.second-row').getByRole('link', { name: 'Delivery' })).toBeVisible();
      await expect(guest.locator('h1')).toHaveCSS('font-family', /Playfair Display/);
      await expect(guest.locator('[data-bay="footer-3"] .contact')).toBeVisible();
      await expect(guest.locator('[data-bay="footer-3"] form')).toHaveCount(0);
      expect(await guest.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
      expect(await axeFinds(guest)).toEqual([]);
      await guest.context().close();
    }
    // Without a script it is the same.
    const plain = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
    await plain.goto(storefront);
    await expect(plain.locator('.second-row').getByRole('link', { name: 'Delivery' })).toBeVisible();
    await expect(plain.getByRole('button', { name: 'Write to me' }).first()).toBeVisible();

    // On the next day the old looks come back: a set of its own is one step, and one undo.
    await press(page.getByRole('button', { name: 'Madder and paper' }));
    await expect(page.getByRole('button', { name: 'Madder and paper' })).toHaveAttribute('aria-pressed', 'true');
    await page.keyboard.press('Control+z');
    await expect(told(page)).toContainText('Taken back');
    await expect(page.getByRole('button', { name: 'Madder and paper' })).toHaveAttribute('aria-pressed', 'false');
    await press(page.getByRole('button', { name: 'Madder and paper' }));
    await expect(page.getByRole('button', { name: 'Madder and paper' })).toHaveAttribute('aria-pressed', 'true');
    // The frame as it was, for who comes next.
    await page.goto(`${admin}/menus`);
    for (const part of [/^Second row/, /^Footer column 3/]) {
      await bay(page, part).click();
      await act(page, /^What else can be done with/, /^Remove the menu/);
      await expect(bay(page, new RegExp(`${part.source}: no menu`))).toBeVisible();
    }
    await publish(page);
  });
}

test('a visitor signs up, says yes by mail and leaves by one click; the owner has the list', async ({ page, browser }) => {
  test.setTimeout(120_000);
  const guest = await visitor(browser, '/about-us');
  const form = guest.locator('.shop-footer .sign-up');
  await form.getByLabel('Your mail address').fill('ada@example.org');
  await form.getByRole('button', { name: 'Write to me' }).click();
  await expect(guest.getByRole('heading', { level: 1 })).toHaveText('Look into your mailbox');
  expect(await axeFinds(guest)).toEqual([]);
  await signIn(page);
  const said = await sayYes(page, browser, 'ada@example.org');
  await expect(said.getByRole('heading', { level: 1 })).toHaveText('You are on the list');
  const lists = page.getByRole('region', { name: 'Lists' });
  await expect(lists).toContainText('1 said yes');
  await expect(page.getByRole('region', { name: 'What the mailing service was told' })).toContainText('ada@example.org joined “Letters”');
  const csv = await page.request.get(`${admin}/api/letters/subscribers.csv?list=Letters`);
  expect(await csv.text()).toContain('ada@example.org,');
  expect(await axeFinds(page)).toEqual([]);
  // The welcome has the link that ends it, for a mail program as for a person.
  await page.getByRole('button', { name: /^ada@example.org.*you are on the list/ }).click();
  const no = (await page.getByRole('article').getByRole('link').getAttribute('href')) ?? '';
  const left = await page.request.post(no, { form: { 'List-Unsubscribe': 'One-Click' } });
  expect(left.status()).toBe(200);
  await expect(lists).toContainText('1 left');
  // What is no address comes back with what was typed; without a script, too.
  const plain = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
  await plain.goto(storefront);
  const second = plain.locator('.shop-footer .sign-up');
  await second.evaluate((element) => element.setAttribute('novalidate', ''));
  await second.getByLabel('Your mail address').fill('ada');
  await second.getByRole('button', { name: 'Write to me' }).click();
  await expect(plain.getByText('This is no mail address.')).toBeVisible();
  await expect(plain.getByLabel('Your mail address').first()).toHaveValue('ada');
});

test('a bay beside the pages of a group shows them, and is taken away', async ({ page, browser }) => {
  await signIn(page);
  await page.goto(`${admin}/menus`);
  await act(page, 'Make a bay beside the pages of a group', 'Binding guides');
  await expect(bay(page, /^Beside the pages of “Binding guides”: its pages/)).toBeVisible();
  await publish(page);
  const guest = await visitor(browser, '/binding-guides/care-of-paper');
  const beside = guest.getByRole('navigation', { name: 'Binding guides' });
  await expect(beside.getByRole('link', { name: 'Care of paper' })).toHaveAttribute('aria-current', 'page');
  expect(await axeFinds(guest)).toEqual([]);
  await guest.goto(`${storefront}/about-us/our-makers`);
  await expect(guest.locator('.beside')).toHaveCount(0);
  await bay(page, /^Beside the pages/).click();
  await card(page).getByRole('button', { name: 'Take the bay away' }).click();
  await expect(bay(page, /^Beside the pages/)).toHaveCount(0);
  await publish(page);
});

test('axe finds nothing on the parts of the frame, in the looks by night, and in a shop whose header is a drawer in dark looks', async ({
  page,
}) => {
  await signIn(page);
  await page.goto(`${admin}/menus`);
  for (const part of [/^Second row/, /^Footer column 5/, /^Last line/, /^Header/]) {
    await bay(page, part).click();
    await expect(card(page)).toBeVisible();
    await expect(card(page).getByText('…')).toHaveCount(0);
    expect(await axeFinds(page)).toEqual([]);
    await page.keyboard.press('Escape');
  }
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.goto(`${admin}/menus/looks`);
  await expect(page.getByRole('button', { name: 'Ink by night' })).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
  // A drawer on a desk, in dark looks, with a mark of the shop's own.
  const changes = [
    { type: 'header', setting: 'header_form', words: 'drawer' },
    { type: 'header', setting: 'header_mark_drawn', words: '<svg viewBox="0 0 12 12"><path d="M2 6h8"/></svg>' },
    { type: 'take-looks', set: 'night' },
  ];
  for (const change of changes) expect(await changeFrame(page, change)).toBe(200);
  const shop = await page.context().newPage();
  await shop.goto(`${await previewFor(page, 'guest')}/papers`);
  await shop.locator('.drawer > summary').click();
  await expect(shop.locator('.drawer').getByText('Papers', { exact: true })).toBeVisible();
  expect(await axeFinds(shop)).toEqual([]);
  await changeFrame(page, { type: 'header', setting: 'header_form', words: 'row' });
  await shop.reload();
  await shop.getByRole('button', { name: 'More below Threads' }).click();
  expect(await axeFinds(shop)).toEqual([]);
  for (let n = 0; n <= changes.length; n += 1) await post(page, '/api/undo', {});
});
