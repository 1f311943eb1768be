import { expect, type Page, test } from '@playwright/test';
import { admin, axeFinds, changeFrame, openHeader, post, previewFor, publish, shopBeside, signIn, storefront, told, visitor } from './shop';

const families = ['Literata', 'Lora', 'Karla', 'Work Sans', 'Bitter', 'Nunito', 'Playfair Display', 'Red Hat Mono'];

const openLooks = async (page: Page) => {
  await signIn(page);
  await page.goto(`${admin}/menus`);
  await page.getByRole('link', { name: /^Looks/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Looks' })).toBeAttached();
};
const looksOf = async (page: Page) =>
  ((await (await page.request.get(`${admin}/api/frame`)).json()) as { looks: { values: object } }).looks.values;
const of = (page: Page, name: string) => page.getByRole('radiogroup', { name, exact: true });
const ground = (page: Page) =>
  shopBeside(page)
    .locator('html')
    .evaluate((html) => getComputedStyle(html).backgroundColor);

test('a set of looks is worn while it is pointed at, taken by a touch, published in one step and put back by one undo', async ({
  page,
  browser,
}) => {
  await openLooks(page);
  await expect.poll(() => ground(page)).toBe('rgb(251, 250, 246)');
  const night = page.getByRole('button', { name: 'Ink by night' });
  await night.hover();
  await expect.poll(() => ground(page)).toBe('rgb(23, 24, 29)');
  await page.getByRole('button', { name: 'Keep', exact: true }).hover();
  await expect.poll(() => ground(page)).toBe('rgb(251, 250, 246)');
  // By keyboard.
  await night.focus();
  await expect.poll(() => ground(page)).toBe('rgb(23, 24, 29)');
  await page.keyboard.press('Enter');
  await expect(told(page)).toContainText('The looks are those of “Ink by night”.');
  await expect(night).toHaveAttribute('aria-pressed', 'true');
  // A band of the front page has a light ground of its own.
  await expect(page.getByRole('list', { name: 'Where a ground of its own does not go with these looks' })).toContainText(
    /Front page: .* on this ground have a contrast of 1\.\d to 1/,
  );
  await page.getByRole('button', { name: 'Review' }).click();
  await expect(page.getByText('Headings are set in Playfair Display.')).toBeVisible();
  await expect(page.getByText('The ground is #17181d.')).toBeVisible();
  await page.keyboard.press('Escape');
  await publish(page);
  for (const path of ['/search?q=silk', '/papers/marbled', '/journal']) {
    const guest = await visitor(browser, path);
    await expect(guest.locator('html')).toHaveCSS('background-color', 'rgb(23, 24, 29)');
    await expect(guest.locator('h1')).toHaveCSS('font-family', /^"?Playfair Display/);
    await expect(guest.locator('meta[name="theme-color"]')).toHaveAttribute('content', '#17181d');
    expect(await axeFinds(guest)).toEqual([]);
    await guest.context().close();
  }
  expect((await (await page.request.get(`${storefront}/site.webmanifest`)).json()).background_color).toBe('#17181d');
  await page.keyboard.press('Control+z');
  await expect(told(page)).toContainText('Taken back');
  await expect(page.getByRole('button', { name: 'Madder and paper' })).toHaveAttribute('aria-pressed', 'true');
  await publish(page);
  const guest = await visitor(browser, '/');
  await expect(guest.locator('html')).toHaveCSS('background-color', 'rgb(251, 250, 246)');
});

test('what becomes too pale is told with the colour that would do, and what is no colour is refused where it was typed', async ({
  page,
}) => {
  await openLooks(page);
  const accent = page.getByRole('textbox', { name: 'Accent', exact: true });
  await accent.fill('rose');
  await accent.press('Enter');
  await expect(page.getByRole('main').getByRole('alert')).toContainText('“rose” is no colour');
  await expect(accent).toHaveValue('rose');
  await accent.fill('#e3b53c');
  await accent.press('Enter');
  const wrong = page.getByRole('list', { name: 'What would be hard to read or no longer fits' });
  await expect(wrong).toContainText(/Links on the .* have a contrast of 1\.\d to 1/);
  await wrong.getByRole('button', { name: /^Take #/ }).click();
  await expect(wrong).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(wrong).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(wrong).toHaveCount(0);
  await expect(accent).toHaveValue('#7d2935');
});

test('another typeface that makes the header too wide is told before any visitor meets it', async ({ page }) => {
  await openLooks(page);
  await of(page, 'Words are set in').getByRole('radio', { name: 'Red Hat Mono' }).click();
  await expect(page.getByRole('list', { name: 'What would be hard to read or no longer fits' })).toContainText(
    '“Boards and cloth” takes the most room',
  );
  expect(await axeFinds(page)).toEqual([]);
  await page.keyboard.press('Control+z');
  await expect(of(page, 'Words are set in').getByRole('radio', { name: 'Karla' })).toHaveAttribute('aria-checked', 'true');
});

test('looks are kept under a name of one’s own, and forgotten', async ({ page }) => {
  await openLooks(page);
  await of(page, 'Corners of buttons').getByRole('radio', { name: '18 px' }).click();
  await expect(shopBeside(page).locator('main .button').first()).toHaveCSS('border-radius', '18px');
  await page.getByRole('textbox', { name: 'Keep these as' }).fill('Ink by night');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('main').getByRole('alert')).toContainText('comes with the program');
  await page.getByRole('textbox', { name: 'Keep these as' }).fill('Spring');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Spring/ })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Madder and paper' }).click();
  await expect(shopBeside(page).locator('main .button').first()).toHaveCSS('border-radius', '6px');
  await page.getByRole('button', { name: 'Forget Spring' }).click();
  await expect(page.getByRole('button', { name: /^Spring/ })).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Spring/ })).toBeVisible();
  await page.getByRole('button', { name: 'Forget Spring' }).click();
});

test('what no looks can be is refused with what to do', async ({ page }) => {
  await openLooks(page);
  const before = await looksOf(page);
  for (const [setting, words] of [
    ['looks_accent', 'url(x)'],
    ['looks_heading', 'papyrus'],
    ['looks_scale', '3'],
    ['looks_corners', '-1'],
    ['looks_edge', 'wide'],
    ['looks_nothing', '1'],
    ['notice', 'x'],
  ]) {
    expect(await changeFrame(page, { type: 'look', setting, words }), setting).toBe(422);
  }
  expect(await changeFrame(page, { type: 'take-looks', set: 'none' })).toBe(404);
  expect(await changeFrame(page, { type: 'forget-looks', set: 'madder' })).toBe(422);
  expect(await looksOf(page)).toEqual(before);
});

test('the header fits in each of the typefaces where the core says that it does', async ({ page }) => {
  await signIn(page);
  await openHeader(page);
  const before = await looksOf(page);
  // “Your account” takes more room than “Sign in”.
  const preview = await previewFor(page, 'customer');
  const shop = await page.context().newPage();
  // A short menu, so that there is a width at which it fits in the widest of them.
  const { menus } = (await (await page.request.get(`${admin}/api/frame`)).json()) as { menus: { id: string; name: string }[] };
  await changeFrame(page, { type: 'hang', bay: 'header', menuId: menus.find(({ name }) => name === 'Spring fair')?.id });
  await changeFrame(page, { type: 'header', setting: 'header_drawer_below', words: '320' });
  for (const family of families) {
    const id = family.toLowerCase().replaceAll(' ', '-');
    for (const setting of ['looks_heading', 'looks_body']) await changeFrame(page, { type: 'look', setting, words: id });
    const { fit } = (await (await page.request.get(`${admin}/api/frame`)).json()) as { fit: { needs: number; ever: boolean } };
    expect(fit.ever).toBe(true);
    const rows = async (width: number) => {
      await shop.setViewportSize({ width, height: 800 });
      return shop
        .locator('.desk-menu__bar > li')
        .evaluateAll((items) => new Set(items.map((item) => Math.round(item.getBoundingClientRect().top))).size);
    };
    await shop.goto(`${preview}/`);
    await shop.evaluate(() => document.fonts.ready);
    expect(await rows(fit.needs + 12), `${family} from ${fit.needs}`).toBe(1);
    expect(await rows(fit.needs - 24), `${family} below ${fit.needs}`).toBe(2);
  }
  for (let n = 0; n < 2 * families.length + 2; n += 1) await post(page, '/api/undo', {});
  expect(await looksOf(page)).toEqual(before);
});

test('no typeface moves what is there when it arrives', async ({ page }) => {
  await page.addInitScript(() => {
    (window as never as { shifts: number }).shifts = 0;
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) (window as never as { shifts: number }).shifts += (entry as never as { value: number }).value;
    }).observe({ type: 'layout-shift', buffered: true });
  });
  // They come long after the page.
  await page.route('**/*.woff2', async (route) => {
    await new Promise((done) => setTimeout(done, 600));
    await route.continue();
  });
  await page.goto(`${storefront}/about-us/our-makers`);
  await page.evaluate(() => document.fonts.ready);
  await page.waitForTimeout(300);
  expect(await page.evaluate(() => (window as never as { shifts: number }).shifts)).toBeLessThan(0.02);
});
