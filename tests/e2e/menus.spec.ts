import { expect, type Page, test } from '@playwright/test';
import { admin, line, outline, outlined, shopBeside, signIn } from './shop';

const field = (page: Page) => page.getByRole('combobox', { name: 'Where should it lead?' });
const bay = (page: Page, name: RegExp) => page.getByRole('region', { name: 'Map of the shop' }).getByRole('button', { name });
const strip = (page: Page) => page.getByRole('region', { name: /^On the map/ });

/** Where the workbench is looked at with a visitor's eyes. */
async function previewFor(page: Page, audience: 'guest' | 'customer'): Promise<string> {
  const token = await page.locator('meta[name="csrf-token"]').getAttribute('content');
  const answer = await page.request.post(`${admin}/api/previews`, {
    headers: { 'X-CSRF-Token': token ?? '' },
    data: { copy: 'workbench', audience, at: null },
  });
  return ((await answer.json()) as { url: string }).url;
}

/** A new menu that hangs nowhere, opened. */
async function newMenu(page: Page, name: string): Promise<void> {
  await page.goto(`${admin}/menus`);
  await expect(outline(page)).toBeVisible();
  await strip(page).getByRole('button', { name: 'New menu' }).click();
  await page.getByRole('textbox', { name: 'Name of the new menu' }).fill(name);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: `Outline of ${name}` })).toBeVisible();
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
  await press('/');
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
  expect(presses).toBeLessThanOrEqual(45);
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
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(outline(page).getByRole('treeitem')).toHaveCount(0);
  await page.reload();
  await page.getByRole('button', { name: 'Redo', exact: true }).click();
  await expect(line(page, 'Kits')).toBeVisible();
});

test('what is pasted and is no menu is refused with the reason, and kept', async ({ page }) => {
  await signIn(page);
  await newMenu(page, 'Refused');
  await page.getByRole('button', { name: 'From a list…' }).click();
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
  await page.getByLabel('or a file:').setInputFiles({ name: 'menu.txt', mimeType: 'text/plain', buffer: Buffer.from('Papers\n'.repeat(5000)) });
  await expect(page.getByRole('alert').filter({ hasText: '5,000 lines' })).toBeVisible();
  // Choosing among the candidates, and leaving a line out.
  await lines.fill('Marbeld papers\nNothing of the kind zz');
  await page.getByRole('button', { name: 'See what they lead to' }).click();
  await expect(page.getByText('perhaps')).toBeVisible();
  await page.getByRole('combobox', { name: /Nothing of the kind/ }).selectOption('leave this line out');
  await page.getByRole('button', { name: 'Add 1 line' }).click();
  await expect(outline(page).getByRole('treeitem')).toHaveCount(1);
  await expect(line(page, /Marbeld papers/)).toContainText('/papers/marbled');
});

test('menus are hung, swapped and taken down on the map, and the shop follows', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/menus`);
  await bay(page, /^Footer column 3/).click();
  await strip(page).getByLabel('Hang here').selectOption('Spring fair');
  await expect(bay(page, /^Footer column 3: Spring fair/)).toBeVisible();
  await expect(shopBeside(page).getByRole('contentinfo').getByRole('link', { name: 'Small gifts' })).toBeVisible();
  await bay(page, /^Header/).click();
  await strip(page).getByLabel('Swap with').selectOption('Footer column 3');
  await expect(bay(page, /^Header: Spring fair/)).toBeVisible();
  await expect(shopBeside(page).getByRole('banner').getByRole('link', { name: 'Small gifts' })).toBeVisible();
  // What a header without a menu shows is chosen.
  await strip(page).getByRole('button', { name: 'Take it down' }).click();
  await expect(shopBeside(page).getByRole('banner').getByRole('button', { name: 'Shop' })).toBeVisible();
  await strip(page).getByLabel('Until then the header shows').selectOption('nothing');
  await expect(shopBeside(page).getByRole('banner').getByRole('button', { name: 'Shop' })).toHaveCount(0);
  for (let n = 0; n < 4; n += 1) {
    await strip(page).getByRole('button', { name: 'Undo on the map' }).click();
    await page.waitForTimeout(300);
  }
  await expect(bay(page, /^Header: Header/)).toBeVisible();
  await expect(bay(page, /^Footer column 3: no menu/)).toBeVisible();
});

test('the notice line is written on the map, and a menu that hangs is removed only with its place named', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/menus`);
  await bay(page, /^Notice line/).click();
  const notice = strip(page).getByRole('textbox', { name: 'What the notice line says' });
  const before = await notice.inputValue();
  await notice.fill('Closed for the fair.');
  await notice.press('Enter');
  await expect(shopBeside(page).getByText('Closed for the fair.')).toBeVisible();
  await notice.fill(before);
  await notice.press('Enter');
  await bay(page, /^Footer column 2/).click();
  await strip(page).getByRole('button', { name: 'Remove the menu' }).click();
  await expect(page.getByText('it hung in footer column 2').first()).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click();
  await expect(bay(page, /^Footer column 2: Footer, help/)).toBeVisible();
});

test('a line fills itself, and its children are renamed, left out and pinned', async ({ page }) => {
  await signIn(page);
  await newMenu(page, 'Filled');
  await page.keyboard.press('/');
  await page.keyboard.type('Guides for the bench');
  await expect(page.getByRole('option', { name: /a heading/ })).toBeVisible();
  await page.getByRole('option', { name: /a heading/ }).click();
  await line(page, 'Guides for the bench').focus();
  await page.keyboard.press('e');
  const panel = page.getByRole('region', { name: 'Everything about Guides for the bench' });
  await panel.getByRole('button', { name: 'categories' }).click();
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
  await page.keyboard.press('/');
  await page.keyboard.type('papers');
  await expect(page.getByRole('listbox').getByRole('option').first()).toContainText('Papers');
  await page.keyboard.press('ArrowRight');
  await page.getByRole('option', { name: /Papers, gift/ }).click();
  await expect(line(page, /^Papers, gift/)).toContainText('only gift');
  await line(page, /^Papers, gift/).focus();
  await page.keyboard.press('e');
  const panel = page.getByRole('region', { name: /Everything about/ });
  await panel.getByRole('textbox', { name: 'to', exact: true }).fill('4.90');
  await page.keyboard.press('Tab');
  await expect(line(page, /^Papers, gift/)).toContainText('only gift, up to 4.90');
  await panel.getByRole('button', { name: 'Customers' }).click();
  await expect(line(page, /^Papers, gift/)).toContainText('customers only');
  await panel.getByRole('textbox', { name: 'Note for colleagues' }).fill('Until the fair');
  await page.keyboard.press('Enter');
  await expect(line(page, /^Papers, gift/)).toContainText('Until the fair');
});

test('several lines move as one, and are dragged as one', async ({ page }) => {
  await signIn(page);
  await newMenu(page, 'Several');
  await page.getByRole('button', { name: 'From a list…' }).click();
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
  const [from, to] = [await line(page, 'Papers').boundingBox(), await line(page, /^Journal zz/).boundingBox()];
  if (!from || !to) throw new Error('no lines');
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
  await page.getByRole('button', { name: 'From a list…' }).click();
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
    return who.request.post(`${admin}/api/menus/${id}/moves`, { headers: { 'X-CSRF-Token': token ?? '', 'If-Match': `"${version.version}"` }, data: move });
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
  await other.request.post(`${admin}/api/frame/changes`, { headers: { 'X-CSRF-Token': token ?? '' }, data: { type: 'remove', menuId: id } });
  await expect(page.getByRole('alert').filter({ hasText: 'What you see is the menu as it was last' })).toBeVisible({ timeout: 9000 });
  await expect(line(page, 'Bench tools')).toBeVisible();
});

test('the width that the core computes for the header is the width at which it breaks', async ({ page }) => {
  await signIn(page);
  const { fit } = (await (await page.request.get(`${admin}/api/frame`)).json()) as { fit: { needs: number } };
  const shop = await page.context().newPage();
  // A customer: “Your account” takes more room than “Sign in”.
  await shop.goto(`${await previewFor(page, 'customer')}/`);
  await shop.evaluate(() => document.fonts.ready);
  const rowsAt = async (width: number) => {
    await shop.setViewportSize({ width, height: 700 });
    return shop.locator('.desk-menu__bar > li').evaluateAll((items) => new Set(items.map((item) => Math.round(item.getBoundingClientRect().top))).size);
  };
  // Kerning takes a few pixels off the whole line.
  expect(await rowsAt(fit.needs)).toBe(1);
  expect(await rowsAt(fit.needs - 8)).toBe(2);
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
    await strip(page).getByLabel('Dropdowns open').selectOption(opens);
    await expect(page.getByText(`Dropdowns open ${opens}.`).first()).toBeVisible();
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
