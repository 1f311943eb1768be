import { expect, type Page, test } from '@playwright/test';
import { act, admin, boxOf, choose, line, openHeader, outline, outlined, previewFor, publish, signIn, told, visitor } from './shop';

const field = (page: Page) => page.getByRole('combobox', { name: 'Where should it lead?' });
const frame = (page: Page) => page.getByRole('region', { name: 'The frame of the shop' });
const bay = (page: Page, name: RegExp) => frame(page).getByRole('button', { name });

/** A new menu that hangs nowhere, opened. */
async function newMenu(page: Page, name: string): Promise<void> {
  await page.goto(`${admin}/menus`);
  await frame(page).getByRole('button', { name: 'New menu' }).click();
  await page.keyboard.type(name);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: `Outline of ${name}` })).toBeVisible();
  await expect(field(page)).toBeFocused();
}

const WANTED = [
  '1 Papers',
  '2 Marbled papers',
  '3 Combed',
  '3 Stone',
  '3 Rippled',
  '2 Block-printed papers',
  '3 Small repeats',
  '3 Large repeats',
  '1 Tools',
  '2 Folding and creasing',
  '2 Cutting and paring',
  '1 Kits',
];

test('a header of three levels and twelve entries is built by keyboard, in few presses', async ({ page }) => {
  await signIn(page);
  await newMenu(page, 'By keyboard');
  let presses = 0;
  // A modifier counts as a press of its own.
  const press = async (keys: string) => {
    presses += keys.split('+').length;
    await page.keyboard.press(keys);
  };
  const add = async (words: string, title: string, keys: string) => {
    await page.keyboard.type(words);
    await expect(page.getByRole('listbox').getByRole('option').first()).toContainText(title);
    await press(keys);
    await expect(line(page, title)).toBeVisible();
    await expect(field(page)).toHaveValue('');
  };
  await add('papers', 'Papers', 'Enter');
  await add('marbled papers', 'Marbled papers', 'Shift+Enter');
  await add('combed', 'Combed', 'Shift+Enter');
  await add('stone', 'Stone', 'Enter');
  await add('rippled', 'Rippled', 'Enter');
  await press('Alt+ArrowLeft');
  await add('block', 'Block-printed papers', 'Enter');
  await add('small rep', 'Small repeats', 'Shift+Enter');
  await add('large rep', 'Large repeats', 'Enter');
  await press('Alt+ArrowLeft');
  await press('Alt+ArrowLeft');
  await add('tools', 'Tools', 'Enter');
  await add('folding and', 'Folding and creasing', 'Shift+Enter');
  await add('cutting', 'Cutting and paring', 'Enter');
  await press('Alt+ArrowLeft');
  await add('kits', 'Kits', 'Enter');
  expect(await outlined(page)).toEqual(WANTED);
  expect(presses).toBeLessThanOrEqual(44);
});

test('the same header comes from a pasted list, and is undone as one', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'], { origin: admin });
  await signIn(page);
  await newMenu(page, 'Pasted');
  const text = WANTED.map((one) => `${'  '.repeat(Number(one[0]) - 1)}${one.slice(2)}`).join('\n');
  await page.evaluate((words) => navigator.clipboard.writeText(words), text);
  let presses = 0;
  for (const keys of ['/', 'Control+v']) {
    presses += keys.split('+').length;
    await page.keyboard.press(keys);
  }
  await expect(page.getByText('12 of 12 lines go in')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Add 12 lines' })).toBeFocused();
  await page.keyboard.press('Enter');
  presses += 1;
  await expect(line(page, 'Kits')).toBeVisible();
  expect(await outlined(page)).toEqual(WANTED);
  expect(presses).toBeLessThan(15);
  await told(page).getByText('The lines are in the menu.').waitFor();
  await page.keyboard.press('Control+z');
  await expect(outline(page).getByRole('treeitem')).toHaveCount(0);
  await page.reload();
  await page.getByRole('button', { name: 'Redo', exact: true }).click();
  await expect(line(page, 'Kits')).toBeVisible();
});

test('what is pasted and is no menu is refused with the reason, and kept', async ({ page }) => {
  await signIn(page);
  await newMenu(page, 'Refused');
  await act(page, /^More for/, 'From a list…');
  const lines = page.getByRole('textbox', { name: 'The lines' });
  for (const [text, says] of [
    [`Papers\n${'x'.repeat(10_000)}`, 'Line 2 has 10,000 characters'],
    ['<!DOCTYPE o [<!ENTITY a "a">]><opml version="2.0"><body><outline text="&a;"/></body></opml>', 'document type'],
    ['<opml version="2.0"><body><outline text="a"></body></opml>', 'not well-formed'],
  ] as const) {
    await lines.fill(text);
    await page.getByRole('button', { name: 'See what they lead to' }).click();
    await expect(page.getByRole('alert').filter({ hasText: says })).toBeVisible();
    await expect(lines).toHaveValue(text);
  }
  // From a file, too.
  await page
    .getByLabel('or a file:')
    .setInputFiles({ name: 'menu.txt', mimeType: 'text/plain', buffer: Buffer.from('Papers\n'.repeat(5000)) });
  await expect(page.getByRole('alert').filter({ hasText: '5,000 lines' })).toBeVisible();
  await lines.fill('');
  // A megabyte, pasted: the browser does not stand still, and it can be taken out again.
  await page.evaluate(() => {
    const clipboardData = new DataTransfer();
    clipboardData.setData('text/plain', 'Marbled papers, and more\n'.repeat(42_000));
    document.querySelector('textarea')?.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
  });
  await expect(page.getByText('42,001 lines, 1,050 kB')).toBeVisible();
  await page.getByRole('button', { name: 'See what they lead to' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'at most' })).toBeVisible();
  await page.getByRole('button', { name: 'Take it out' }).click();
  // Choosing among the candidates, and leaving a line out.
  await lines.fill('Marbeld papers\nNothing of the kind zz');
  await page.getByRole('button', { name: 'See what they lead to' }).click();
  await expect(page.getByText('perhaps')).toBeVisible();
  await choose(page, /Nothing of the kind/, 'leave this line out');
  await page.getByRole('button', { name: 'Add 1 line' }).click();
  await expect(outline(page).getByRole('treeitem')).toHaveCount(1);
  await expect(line(page, /Marbeld papers/)).toContainText('/papers/marbled');
});

test('menus are hung, swapped and taken down on the frame, and all of it is taken back', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/menus`);
  await bay(page, /^Footer column 3/).click();
  await act(page, 'Hang a menu that you have', 'Spring fair');
  await expect(bay(page, /^Footer column 3: Spring fair/)).toBeVisible();
  await bay(page, /^Header/).click();
  await act(page, 'What else can be done with the header', 'Swap with', 'Footer column 3');
  await expect(bay(page, /^Header: Spring fair/)).toContainText('Small gifts');
  // What a header without a menu shows is chosen.
  await act(page, 'What else can be done with the header', 'Take it down');
  await expect(bay(page, /^Header: no menu/)).toContainText('Shop');
  await page.getByRole('radio', { name: 'nothing', exact: true }).click();
  await expect(told(page)).toContainText('The header shows nothing.');
  await expect(bay(page, /^Header: no menu/)).not.toContainText('Shop');
  await page.keyboard.press('Escape');
  for (const back of ['The frame is changed.', 'The menu is taken down.', 'The menus are swapped.', 'The menu hangs.']) {
    await page.keyboard.press('Control+z');
    await expect(told(page)).toContainText(back);
  }
  await expect(bay(page, /^Header: Header/)).toBeVisible();
  await expect(bay(page, /^Footer column 3: no menu/)).toBeVisible();
});

test('a menu is dragged by its name from where it hangs to where it should', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/menus`);
  await expect(bay(page, /^Spring fair/)).toBeVisible();
  // What can be dragged takes the place of what only shows as soon as it is fetched, perhaps between two of these steps.
  await expect(async () => {
    const [from, to] = [await boxOf(bay(page, /^Spring fair/)), await boxOf(bay(page, /^Footer column 4/))];
    await page.mouse.move(from.x + 20, from.y + 10);
    await page.mouse.down();
    await page.mouse.move(to.x + 30, to.y + 40, { steps: 8 });
    await page.mouse.up();
    await expect(bay(page, /^Footer column 4: Spring fair/)).toBeVisible({ timeout: 3000 });
  }).toPass();
  await page.getByRole('region', { name: 'What waits' }).getByRole('button', { name: 'Undo' }).click();
  await expect(bay(page, /^Spring fair, hangs nowhere/)).toBeVisible();
});

test('what is fetched late takes no letter and no focus on the frame', async ({ page }) => {
  await signIn(page);
  let arrive = () => {};
  const late = new Promise<void>((resolve) => {
    arrive = resolve;
  });
  await page.route('**/frameDrag-*.js', async (route) => {
    await late;
    await route.continue();
  });
  await page.goto(`${admin}/menus`);
  await frame(page).getByRole('button', { name: 'New menu' }).click();
  await page.keyboard.type('Late');
  const fetched = page.waitForResponse('**/frameDrag-*.js');
  arrive();
  await (await fetched).finished();
  await page.keyboard.type('comer');
  const name = page.getByRole('textbox', { name: 'Name of the new menu' });
  await expect(name).toHaveValue('Latecomer');
  await page.getByRole('button', { name: 'Leave it' }).click();
  await expect(name).toHaveCount(0);
  await bay(page, /^Footer column 1/).focus();
  await page.keyboard.press('Shift');
  await expect(bay(page, /^Footer column 1/)).toBeFocused();
});

test('the notice line is written on the frame, and a menu that hangs is removed only with its place named', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/menus`);
  await bay(page, /^Notice line/).click();
  const notice = page.getByRole('textbox', { name: 'What the notice line says' });
  const before = await notice.inputValue();
  await notice.fill('Closed for the fair.');
  await notice.press('Enter');
  await expect(bay(page, /^Notice line: Closed for the fair/)).toBeVisible();
  await notice.fill(before);
  await notice.press('Enter');
  await expect(bay(page, new RegExp(`^Notice line: ${before}`))).toBeVisible();
  await bay(page, /^Footer column 2/).click();
  await act(page, 'What else can be done with the footer column 2', 'Remove the menu');
  await expect(told(page)).toContainText('it hung in footer column 2');
  await page.getByRole('region', { name: 'What waits' }).getByRole('button', { name: 'Undo' }).click();
  await expect(bay(page, /^Footer column 2: Footer, help/)).toBeVisible();
});

test('the line that a panel is about stays in sight while the panel grows', async ({ page }) => {
  await signIn(page);
  await openHeader(page);
  await line(page, 'Journal').focus();
  await page.keyboard.press('e');
  const panel = page.getByRole('region', { name: 'Everything about Journal' });
  await panel.getByRole('radio', { name: 'what is new' }).click();
  const today = panel.getByRole('list', { name: 'What it shows today' });
  await expect(today).toBeVisible();
  await expect(line(page, 'Journal')).toBeInViewport({ ratio: 0.9 });
  await page.keyboard.press('Control+z');
  await expect(today).toHaveCount(0);
});

test('a line fills itself, and its children are renamed, left out and pinned', async ({ page }) => {
  await signIn(page);
  await newMenu(page, 'Filled');
  await page.keyboard.type('Guides for the bench');
  await page.getByRole('option', { name: /Guides for the bench a heading/ }).click();
  await line(page, 'Guides for the bench').focus();
  await page.keyboard.press('e');
  const panel = page.getByRole('region', { name: 'Everything about Guides for the bench' });
  await panel.getByRole('radio', { name: 'categories' }).click();
  const today = panel.getByRole('list', { name: 'What it shows today' });
  await expect(today.getByRole('textbox', { name: 'Label of Papers' })).toBeVisible();
  await expect(page.locator('[data-filled]').first()).toContainText('/papers');
  await today.getByRole('textbox', { name: 'Label of Tools' }).fill('Hand tools');
  await page.keyboard.press('Tab');
  await expect(page.locator('[data-filled]').filter({ hasText: 'Hand tools' })).toBeVisible();
  await today
    .getByRole('listitem')
    .filter({ has: page.getByRole('textbox', { name: 'Label of Kits' }) })
    .getByRole('button', { name: 'Leave out' })
    .click();
  await expect(page.locator('[data-filled]').filter({ hasText: '/kits' })).toHaveCount(0);
  await expect(panel.getByRole('button', { name: 'Kits: show it again' })).toBeVisible();
  await today.getByRole('listitem').first().getByRole('button', { name: 'Pin' }).click();
  await expect(line(page, 'Papers')).toHaveAttribute('aria-level', '2');
  await expect(page.locator('[data-filled]').filter({ hasText: '/papers' })).toHaveCount(0);
});

test('an entry leads to a part of a page, or to some of the products of a category', async ({ page }) => {
  await signIn(page);
  await newMenu(page, 'Parts');
  await page.keyboard.type('papers');
  await expect(page.getByRole('listbox').getByRole('option').first()).toContainText('Papers');
  await page.keyboard.press('ArrowRight');
  await page.getByRole('option', { name: /Papers, gift/ }).click();
  await expect(line(page, /^Papers, gift/)).toContainText('only gift');
  await line(page, /^Papers, gift/).focus();
  await page.keyboard.press('e');
  const panel = page.getByRole('region', { name: /Everything about/ });
  await panel.getByRole('button', { name: 'other choices' }).click();
  await panel.getByRole('textbox', { name: 'to', exact: true }).fill('4,90');
  await page.keyboard.press('Tab');
  await expect(line(page, /^Papers, gift/)).toContainText('only gift, up to 4.90');
  await panel.getByRole('radio', { name: 'Customers' }).click();
  await expect(line(page, /^Papers, gift/)).toContainText('customers only');
  await panel.getByRole('textbox', { name: 'Note for colleagues' }).fill('Until the fair');
  await page.keyboard.press('Enter');
  await expect(line(page, /^Papers, gift/)).toContainText('Until the fair');
});

test('several lines move as one, and are dragged as one', async ({ page }) => {
  await signIn(page);
  await newMenu(page, 'Several');
  await act(page, /^More for/, 'From a list…');
  await page.getByRole('textbox', { name: 'The lines' }).fill('Tools\nPapers\nKits\nJournal zz');
  await page.getByRole('button', { name: 'See what they lead to' }).click();
  await page.getByRole('button', { name: 'Add 4 lines' }).click();
  await expect(line(page, 'Tools')).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Shift+ArrowDown');
  await expect(outline(page).getByRole('treeitem', { selected: true })).toHaveCount(2);
  await page.keyboard.press('Tab');
  await expect.poll(() => outlined(page)).toEqual(['1 Tools', '2 Papers', '2 Kits', '1 Journal zz']);
  await page.keyboard.press('Control+z');
  await expect.poll(() => outlined(page)).toEqual(['1 Tools', '1 Papers', '1 Kits', '1 Journal zz']);
  // By mouse, to the end.
  const [from, to] = [await boxOf(line(page, 'Papers')), await boxOf(line(page, /^Journal zz/))];
  await page.mouse.move(from.x + 250, from.y + 10);
  await page.mouse.down();
  await page.mouse.move(to.x + 250, to.y + 16, { steps: 4 });
  await page.mouse.move(to.x + 250, to.y + to.height + 2, { steps: 4 });
  await expect(page.getByText('on the first level')).toBeVisible();
  await page.mouse.up();
  await expect.poll(() => outlined(page)).toEqual(['1 Tools', '1 Journal zz', '1 Papers', '1 Kits']);
});

test('two people work on one menu: what differs merges, and what both wanted is kept until one chooses', async ({ page, browser }) => {
  await signIn(page, 'owner');
  await newMenu(page, 'Two people');
  await act(page, /^More for/, 'From a list…');
  await page.getByRole('textbox', { name: 'The lines' }).fill('Tools\nPapers\nKits');
  await page.getByRole('button', { name: 'See what they lead to' }).click();
  await page.getByRole('button', { name: 'Add 3 lines' }).click();
  const id = new URL(page.url()).pathname.split('/').pop() ?? '';
  const other = await (await browser.newContext()).newPage();
  await signIn(other, 'editor');
  await other.goto(`${admin}/menus/${id}`);
  await expect(line(other, 'Kits')).toBeVisible();

  // Appears with the other within five seconds, without a reload.
  await line(page, 'Kits').focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect.poll(() => outlined(other), { timeout: 5000 }).toEqual(['1 Tools', '1 Kits', '1 Papers']);

  // Both at once: the one moves, the other removes; and both rename one line.
  const version = (await (await page.request.get(`${admin}/api/menus/${id}`)).json()) as {
    version: number;
    entries: { id: string; label: string; target: unknown }[];
  };
  const [tools, kits] = version.entries;
  const send = async (who: Page, move: unknown) => {
    const token = await who.locator('meta[name="csrf-token"]').getAttribute('content');
    return who.request.post(`${admin}/api/menus/${id}/moves`, {
      headers: { 'X-CSRF-Token': token ?? '', 'If-Match': `"${version.version}"` },
      data: move,
    });
  };
  expect((await send(page, { type: 'rewrite', entry: { id: tools?.id, target: tools?.target, label: 'Hand tools' } })).status()).toBe(200);
  expect(
    (
      await send(other, {
        type: 'together',
        moves: [
          { type: 'rewrite', entry: { id: tools?.id, target: tools?.target, label: 'Bench tools' } },
          { type: 'remove', entryId: kits?.id },
        ],
      })
    ).status(),
  ).toBe(200);
  await expect(line(page, 'Kits')).toHaveCount(0);
  await expect(line(page, 'Hand tools')).toBeVisible();
  await expect(page.getByText('Joss Tamblyn calls it “Bench tools”.')).toBeVisible();
  await page.getByRole('button', { name: 'Do that' }).click();
  await expect(line(page, 'Bench tools')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Do that' })).toHaveCount(0);

  // Removed elsewhere while it is open.
  const token = await other.locator('meta[name="csrf-token"]').getAttribute('content');
  await other.request.post(`${admin}/api/frame/changes`, {
    headers: { 'X-CSRF-Token': token ?? '' },
    data: { type: 'remove', menuId: id },
  });
  await expect(page.getByRole('alert').filter({ hasText: 'What you see is the menu as it was last' })).toBeVisible({ timeout: 9000 });
  await expect(line(page, 'Bench tools')).toBeVisible();
});

test('the width that the core computes for the header is the width at which it breaks', async ({ page }) => {
  await signIn(page);
  const { fit, header } = (await (await page.request.get(`${admin}/api/frame`)).json()) as {
    fit: { needs: number };
    header: { takesOverBelow: number };
  };
  const shop = await page.context().newPage();
  // Where nobody chose, the drawer takes over just before that.
  await shop.goto(`${await previewFor(page, 'customer')}/`);
  for (const [width, shown] of [
    [header.takesOverBelow, true],
    [header.takesOverBelow - 1, false],
  ] as const) {
    await shop.setViewportSize({ width, height: 700 });
    await expect(shop.locator('.desk-menu')).toBeVisible({ visible: shown });
    await expect(shop.locator('.drawer > summary')).toBeVisible({ visible: !shown });
  }
  const token = await page.locator('meta[name="csrf-token"]').getAttribute('content');
  const takeOverBelow = (words: string) =>
    page.request.post(`${admin}/api/frame/changes`, {
      headers: { 'X-CSRF-Token': token ?? '' },
      data: { type: 'header', setting: 'header_drawer_below', words },
    });
  expect((await takeOverBelow('640')).status()).toBe(200);
  // A customer: “Your account” takes more room than “Sign in”.
  await shop.goto(`${await previewFor(page, 'customer')}/`);
  await shop.evaluate(() => document.fonts.ready);
  const rowsAt = async (width: number) => {
    await shop.setViewportSize({ width, height: 700 });
    return shop
      .locator('.desk-menu__bar > li')
      .evaluateAll((items) => new Set(items.map((item) => Math.round(item.getBoundingClientRect().top))).size);
  };
  // Kerning takes a few pixels off the whole line.
  expect(await rowsAt(fit.needs)).toBe(1);
  expect(await rowsAt(fit.needs - 8)).toBe(2);
  expect((await takeOverBelow('')).status()).toBe(200);
});

test('the header is made a drawer and back, its entries stand in the middle, and the drawer takes over where it should', async ({
  page,
  browser,
}) => {
  await signIn(page);
  await page.goto(`${admin}/menus`);
  await bay(page, /^Header/).click();
  const card = page.locator('[data-card]');
  const shop = await page.context().newPage();
  const look = async () => shop.goto(`${await previewFor(page, 'guest')}/`);
  await card.getByRole('radio', { name: 'a drawer' }).click();
  await expect(told(page)).toContainText('The header is a drawer, on a desk, too.');
  await expect(bay(page, /^Header/)).toContainText('Menu');
  await look();
  await expect(shop.locator('.desk-menu')).toBeHidden();
  await shop.locator('.drawer > summary').click();
  await expect(shop.locator('.drawer').getByText('Papers', { exact: true })).toBeVisible();
  await expect(shop.locator('.drawer').getByRole('link', { name: 'Search' })).toBeHidden();
  await expect(shop.locator('.tools').getByRole('link', { name: 'Search' })).toBeVisible();
  await card.getByRole('radio', { name: 'a row' }).click();
  await card.getByRole('radio', { name: 'middle' }).click();
  await card.getByRole('radio', { name: 'a plus' }).click();
  await card.getByRole('switch', { name: 'Stays in sight while the page goes by' }).click();
  await expect(told(page)).toContainText('The header goes by with the page.');
  await look();
  const bar = shop.locator('.desk-menu__bar');
  await expect(bar).toHaveCSS('justify-content', 'center');
  await expect(shop.locator('.desk-menu .disclose path').first()).toHaveAttribute('d', 'M6 2v8M2 6h8');
  await shop.evaluate(() => scrollTo(0, 900));
  await expect(bar).not.toBeInViewport();
  // A width that is none says which are; what was typed stays.
  const width = card.getByRole('textbox', { name: /drawer takes over/ });
  await width.fill('99999');
  await width.press('Enter');
  await expect(card.getByText(/“99999” is no width .* from 320 to 2560/)).toBeVisible();
  await expect(width).toHaveValue('99999');
  await width.fill('1400');
  await width.press('Enter');
  await expect(card.getByText(/is no width/)).toHaveCount(0);
  await expect
    .poll(
      async () =>
        ((await (await page.request.get(`${admin}/api/frame`)).json()) as { header: { takesOverBelow: number } }).header.takesOverBelow,
    )
    .toBe(1400);
  await look();
  await expect(shop.locator('.desk-menu')).toBeHidden();
  await width.fill('');
  await width.press('Enter');
  await expect
    .poll(
      async () =>
        ((await (await page.request.get(`${admin}/api/frame`)).json()) as { header: { drawerBelow: number | null } }).header.drawerBelow,
    )
    .toBe(null);
  await publish(page);
  const guest = await visitor(browser, '/');
  await expect(guest.locator('.desk-menu__bar')).toHaveCSS('justify-content', 'center');
  await card.getByRole('radio', { name: 'start' }).click();
  await card.getByRole('radio', { name: 'an angle' }).click();
  await card.getByRole('switch', { name: 'Stays in sight while the page goes by' }).click();
  await publish(page);
  await guest.reload();
  await expect(guest.locator('.desk-menu__bar')).toHaveCSS('justify-content', 'normal');
});

test('dropdowns open on a click only, where the shop wants it so', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/menus`);
  await bay(page, /^Header/).click();
  const preview = await previewFor(page, 'guest');
  const shop = await page.context().newPage();
  for (const [opens, expected] of [
    ['on a click', 'false'],
    ['under the pointer', 'true'],
  ] as const) {
    await page.getByRole('radio', { name: opens }).click();
    await expect(told(page)).toContainText(`Dropdowns open ${opens}.`);
    await shop.goto(`${preview}/`);
    await shop.mouse.move(5, 300);
    await shop.getByRole('banner').getByRole('link', { name: 'Papers', exact: true }).hover();
    const button = shop.getByRole('button', { name: 'More below Papers' });
    await expect(button).toHaveAttribute('aria-expanded', expected);
    if (expected === 'false') {
      await button.click();
      await expect(button).toHaveAttribute('aria-expanded', 'true');
    }
  }
});
