import { expect, type Page, test } from '@playwright/test';
import { ask, line, outlined, signIn, storefront } from './shop';

/** Types into whatever has the focus, as a person would. */
const keys = async (page: Page, ...pressed: string[]) => {
  for (const key of pressed) await page.keyboard.press(key);
};

test('the same work by keyboard alone', async ({ page }) => {
  test.setTimeout(90_000);
  await signIn(page);
  await expect(page.getByRole('region', { name: 'The frame of the shop' })).toBeVisible();

  // To the footer's menu by its name, and a dropdown into it.
  await keys(page, 'Control+k');
  await page.keyboard.type('footer, help');
  await expect(page.getByRole('option', { name: /Footer, help/ })).toBeVisible();
  await keys(page, 'Enter');
  await expect(page.getByRole('region', { name: /^Outline of Footer, help/ })).toBeVisible();
  await expect(line(page, 'Imprint')).toBeVisible();

  await keys(page, '/', 'Escape', 'End', 'Enter');
  await expect(page.getByRole('combobox', { name: 'Where should it lead?' })).toBeFocused();
  await page.keyboard.type('For makers');
  await expect(page.getByRole('option', { name: /For makers a heading/ })).toBeVisible();
  await keys(page, 'Enter');
  await expect(line(page, 'For makers')).toBeVisible();

  // Several places at once: walked to, picked with Space, put inside with Shift+Enter.
  await page.keyboard.type('buying');
  await expect(page.getByRole('option', { name: /Buying for a bindery/ })).toBeVisible();
  await keys(page, 'ArrowDown', 'ArrowUp', 'Space');
  await page.keyboard.press('Control+a');
  await page.keyboard.type('valley');
  await expect(page.getByRole('option', { name: /Made in the valley/ })).toBeVisible();
  await keys(page, 'ArrowDown', 'ArrowUp', 'Space');
  await page.keyboard.press('Control+a');
  await page.keyboard.type('cookies');
  await expect(page.getByRole('option', { name: /Cookies/ })).toBeVisible();
  await keys(page, 'ArrowDown', 'ArrowUp', 'Space');
  await expect(page.getByRole('list', { name: 'Picked' }).getByRole('listitem')).toHaveCount(3);
  await keys(page, 'Shift+Enter');
  await expect(line(page, 'Cookies')).toHaveAttribute('aria-level', '2');
  expect((await outlined(page)).slice(-4)).toEqual(['1 For makers', '2 Buying for a bindery', '2 Made in the valley', '2 Cookies']);

  // Moved, renamed, switched off and on, removed and brought back.
  await keys(page, 'Escape', 'Alt+ArrowUp');
  await expect
    .poll(() => outlined(page).then((all) => all.slice(-3)))
    .toEqual(['2 Buying for a bindery', '2 Cookies', '2 Made in the valley']);
  await expect(line(page, 'Cookies')).toBeFocused();
  await keys(page, 'Shift+Tab');
  await expect(line(page, 'Cookies')).toHaveAttribute('aria-level', '1');
  await keys(page, 'F2');
  await page.keyboard.type('About cookies');
  await keys(page, 'Enter');
  await expect(line(page, 'About cookies')).toBeFocused();
  await keys(page, '.');
  await expect(line(page, 'About cookies')).toContainText('off');
  await keys(page, '.');
  await expect(line(page, 'About cookies')).not.toContainText('off');
  await keys(page, 'Delete');
  await expect(line(page, 'About cookies')).toHaveCount(0);
  await keys(page, 'Control+z');
  await expect(line(page, 'About cookies')).toBeVisible();

  // The light of a place, from its line.
  await keys(page, 'Home', 'ArrowDown', 'l');
  await expect(page.getByRole('menuitemradio', { name: /^Open/ })).toBeFocused();
  // Passing over another one changes nothing; its letter does.
  await keys(page, 'ArrowDown');
  await expect(line(page, 'Ways to pay')).not.toContainText('quiet');
  await keys(page, 'q');
  await expect(line(page, 'Ways to pay')).toContainText('its place is quiet');
  await expect(line(page, 'Ways to pay')).toBeFocused();

  // An address, from the sheet.
  await keys(page, 'Control+k');
  await page.keyboard.type('visit the workshop');
  await expect(page.getByRole('option', { name: /Visit the workshop/ })).toBeVisible();
  await keys(page, 'Enter');
  const address = page.getByRole('textbox', { name: 'Address' });
  await expect(address).toHaveValue('/about-us/visit-the-workshop');
  for (let n = 0; n < 40 && !(await address.evaluate((field) => field === document.activeElement)); n++) await keys(page, 'Tab');
  await keys(page, 'Control+a');
  await page.keyboard.type('/about-us/find-the-yellow-door');
  await expect(page.getByText(/will lead on for good \(301\)/)).toBeVisible();
  await keys(page, 'Enter');
  await expect(page.getByText('“Visit the workshop” stands at /about-us/find-the-yellow-door now.').first()).toBeVisible();

  // Published, and walked.
  const publish = page.getByRole('button', { name: 'Publish' });
  for (let n = 0; n < 200 && !(await publish.evaluate((button) => button === document.activeElement)); n++) await keys(page, 'Tab');
  await keys(page, 'Enter');
  await expect(page.getByText('visitors see it now').first()).toBeVisible();
  expect((await ask(page, '/about-us/visit-the-workshop')).headers().location).toBe('/about-us/find-the-yellow-door');
  await page.goto(storefront);
  const makers = page.getByRole('contentinfo').getByRole('link', { name: 'Buying for a bindery' });
  for (let n = 0; n < 80 && !(await makers.evaluate((link) => link === document.activeElement)); n++) await keys(page, 'Tab');
  await keys(page, 'Enter');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Buying for a bindery');
  await expect(page.getByRole('contentinfo').getByText('Ways to pay')).toHaveCount(0);
  expect((await ask(page, '/help/ways-to-pay')).status()).toBe(200);
});
