import { expect, type Page, test } from '@playwright/test';
import { admin, ask, axeFinds, publish, signIn, told } from './shop';

const group = (page: Page, name: string) => page.getByRole('region', { name, exact: true });
const findings = (page: Page, name: string) => group(page, name).getByRole('listitem');
const tray = (page: Page) => page.getByRole('region', { name: 'What waits' });

async function open(page: Page, query = ''): Promise<void> {
  await page.goto(`${admin}/link-check${query}`);
  await expect(page.getByRole('heading', { name: 'Link check' })).toBeVisible();
  await expect(page.getByText(/\d+ findings?|Nothing is wrong|Publishing/).first()).toBeVisible();
}

test('what is wrong stands by what is wrong, each with its mends; one touch mends it, and undo brings it back', async ({ page }) => {
  await signIn(page);
  await open(page);
  const closed = findings(page, 'Links to places that are closed');
  await expect(closed).toContainText('“autumn workshop” leads to “Autumn workshop”, which is closed.');
  await closed.getByRole('button', { name: 'Lead it to another place' }).click();
  // What is likely is in sight without scrolling.
  await expect(closed.getByRole('list', { name: 'Likely places' }).getByRole('button').last()).toBeInViewport({ ratio: 1 });
  await closed.getByRole('combobox', { name: 'Where should it lead?' }).fill('your first case');
  await page.getByRole('option', { name: /Your first case binding/ }).click();
  await expect(closed).toHaveCount(0);
  await expect(told(page)).toContainText('Three days in October: lead it to another place.');
  await expect(tray(page).getByRole('link', { name: /mends 1/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(closed).toHaveCount(1);
  await expect(tray(page).getByRole('link', { name: /mends/ })).toHaveCount(0);
});

test('the focus is never lost: from the heading to the first line, on its buttons, and after all of a kind were mended', async ({
  page,
}) => {
  await signIn(page);
  await page.goto(`${admin}/releases`);
  await expect(page.getByRole('heading', { name: 'Releases' })).toBeVisible();
  await page.getByRole('link', { name: 'Link check' }).click();
  await expect(page.getByRole('heading', { name: 'Link check' })).toBeFocused();
  await expect(group(page, 'Outside links that do not answer')).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await expect(page.locator('[data-finding]').first()).toBeFocused();
  await page.keyboard.press('Tab');
  await page.keyboard.press('Tab');
  await expect(findings(page, 'Outside links that do not answer').first().getByRole('button', { name: 'Take the link out' })).toBeFocused();
  // A letter on a button is the line's: what is typed next is a reason, and presses nothing.
  await page.keyboard.press('a');
  await page.keyboard.type('They come back in spring');
  await expect(page.getByLabel('Why may it stay as it is?')).toHaveValue('They come back in spring');
  await page.keyboard.press('Escape');
  await expect(page.locator('[data-finding]').first()).toBeFocused();
  const all = page.getByRole('button', { name: 'All 3: Take the link out, its words stay' });
  await all.focus();
  await page.keyboard.press('Enter');
  await expect(group(page, 'Outside links that do not answer')).toHaveCount(0);
  await expect(page.locator('[data-finding]:focus')).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await expect(group(page, 'Outside links that do not answer')).toHaveCount(1);
});

test('a finding is found by a few letters from anywhere', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/releases`);
  await expect(page.getByRole('heading', { name: 'Releases' })).toBeVisible();
  await page.keyboard.press('Control+k');
  await page.keyboard.type('autumn workshop');
  await page.getByRole('option', { name: /Links to places that are closed/ }).click();
  await expect(page).toHaveURL(/link-check\?q=autumn\+workshop$/);
  await expect(findings(page, 'Links to places that are closed')).toContainText('leads to “Autumn workshop”, which is closed.');
  await expect(group(page, 'Links over old addresses')).toHaveCount(0);
});

test('twelve links over old addresses become references in one act, by the keyboard; other things by a number each', async ({ page }) => {
  await signIn(page);
  await open(page);
  await expect(page.getByText('12 · ')).toBeVisible();
  await page.getByRole('button', { name: 'All 12: Make it a reference' }).focus();
  await page.keyboard.press('Enter');
  await expect(told(page)).toContainText('12 findings are mended: make it a reference.');
  await expect(group(page, 'Links over old addresses')).toHaveCount(0);

  await findings(page, 'Outside links that moved for good').focus();
  await page.keyboard.press('1');
  await expect(told(page)).toContainText('take the new address');
  await expect(group(page, 'Outside links that moved for good')).toHaveCount(0);
  // The focus is on what comes next: nobody begins at the top again.
  await expect(page.locator('[data-finding]:focus')).toHaveCount(1);

  await findings(page, 'Outside mentions that lead over several steps').focus();
  await page.keyboard.press('1');
  await expect(group(page, 'Outside mentions that lead over several steps')).toHaveCount(0);
  await expect(group(page, 'Redirects over another redirect')).toHaveCount(0);
  expect((await ask(page, '/paper-marbling')).headers().location).toBe('/papers/marbled');

  const empty = findings(page, 'Landing pages that list nothing');
  await empty.focus();
  await page.keyboard.press('a');
  await page.keyboard.type('It fills in December');
  await page.getByLabel('Until (empty: for good)').fill('2099-03-01');
  await page.keyboard.press('Enter');
  await expect(group(page, 'Landing pages that list nothing')).toHaveCount(0);
  await page.getByText(/^Set aside \(1\)$/).click();
  await expect(page.getByText(/Set aside by Imke Ravensworth until .*: It fills in December/)).toBeVisible();

  const unwritten = findings(page, 'Search listings without a description').first();
  const name = (await unwritten.getAttribute('aria-label'))?.split(':')[0] ?? '';
  await unwritten.focus();
  await page.keyboard.press('1');
  await page.keyboard.type('What we promise, in short.');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('listitem', { name: `${name}: Search engines are given no description of it.` })).toHaveCount(0);

  await open(page, '?look=publishing');
  await expect(page.getByRole('heading', { name: 'Publishing would mend' })).toBeVisible();
  await expect(findings(page, 'Links over old addresses').first()).toBeVisible();
  await publish(page);
  await open(page, '?look=live');
  await expect(group(page, 'Links over old addresses')).toHaveCount(0);
});

test('the tray says what publishing would break; that takes a second touch, and mending it none', async ({ page }) => {
  await signIn(page, 'publisher');
  await page.goto(`${admin}/places?q=silk+for`);
  await page.getByRole('link', { name: 'Silk for headbands' }).click();
  await page.getByText('Closed', { exact: true }).first().click();
  await expect(page.getByText(/The link check would find .* more\. Forty colours of silk/)).toBeVisible();
  await page.getByRole('button', { name: 'Make it closed' }).click();
  await expect(tray(page).getByRole('link', { name: /breaks \d/ })).toBeVisible();
  await tray(page).getByRole('button', { name: 'Publish' }).click();
  const review = page.getByRole('dialog', { name: 'What waits' });
  await expect(review).toContainText(/Publishing this would break \d links?, met by \d+ visits in 30 days/);
  await expect(review.getByRole('button', { name: 'Publish all the same' })).toBeVisible();
  expect((await ask(page, '/threads-and-cords/silk')).status()).toBe(200);
  await review.getByRole('link', { name: 'Mend them first' }).click();
  await expect(page.getByRole('heading', { name: 'Publishing would bring' })).toBeVisible();
  await expect(page.getByText('Forty colours of silk').first()).toBeVisible();
  await expect(
    findings(page, 'Links to places that are closed')
      .getByText(/by Edda Marlowe’s edit/)
      .first(),
  ).toBeVisible();
  await findings(page, 'Links to places that are closed')
    .first()
    .getByRole('button', { name: /Open “Silk for headbands”/ })
    .click();
  await expect(tray(page).getByRole('link', { name: /breaks/ })).toHaveCount(0);
});

test('findings are marked where the thing is: on its line, the frame, the table and the sheet', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/menus`);
  await expect(page.getByRole('region', { name: 'The frame of the shop' }).getByText('1 finding').first()).toBeVisible();
  await open(page);
  await findings(page, 'Places that stand twice in one menu').focus();
  await page.keyboard.press('o');
  await expect(page.getByRole('treeitem', { name: /Looking after paper.*stands in this menu already/ })).toBeVisible();
  await page.goto(`${admin}/places?q=three+days`);
  await expect(page.getByRole('row', { name: /Three days in October/ })).toContainText('1 finding');
  await page.getByRole('link', { name: 'Three days in October' }).click();
  await expect(page.getByRole('list', { name: 'Findings' })).toContainText('which is closed');
});

test('other web sites are asked by the worker, which says how far it is', async ({ page }) => {
  test.slow();
  await signIn(page);
  await open(page);
  await page.getByRole('button', { name: 'Ask other web sites again' }).click();
  await expect(tray(page)).toContainText('Asking other web sites');
  await expect(tray(page)).not.toContainText('Asking other web sites', { timeout: 60_000 });
  await expect(findings(page, 'Outside links that do not answer')).toHaveCount(3);
});

test('on a phone one looks, mends and publishes', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 800 });
  await signIn(page);
  await open(page);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await expect(page.getByRole('link', { name: 'Link check', exact: true })).toBeInViewport({ ratio: 1 });
  await findings(page, 'Policies that are in no footer').getByRole('button', { name: 'Put it into the footer' }).click();
  await expect(group(page, 'Policies that are in no footer')).toHaveCount(0);
  await publish(page);
});

test('axe finds nothing in the link check, with a mend, a reason and the numbers open', async ({ page }) => {
  await signIn(page);
  await open(page);
  await page.getByText('Its numbers').click();
  await findings(page, 'Links to addresses where nothing opens').getByRole('button', { name: 'Lead it to another place' }).click();
  await expect(page.getByRole('list', { name: 'Likely places' })).toBeVisible();
  await findings(page, 'Outside links that do not answer').first().getByRole('button', { name: 'Set aside…' }).click();
  expect(await axeFinds(page)).toEqual([]);
});
