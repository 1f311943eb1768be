import { expect, test } from '@playwright/test';
import { ask, boxOf, storefront, visitor } from './shop';

test('the header opens by button, closes by Escape, and is walked with the arrow keys', async ({ page }) => {
  await page.goto(storefront);
  const boards = page.getByRole('button', { name: 'More below Boards and cloth' });
  await boards.focus();
  await page.keyboard.press('Enter');
  await expect(boards).toHaveAttribute('aria-expanded', 'true');
  await page.keyboard.press('ArrowDown');
  await expect(page.locator('header').getByRole('link', { name: 'Boards', exact: true })).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await expect(page.locator('header').getByRole('link', { name: 'Book cloth' })).toBeFocused();
  await page.keyboard.press('End');
  await expect(page.locator('header').getByRole('link', { name: 'Strong spines' })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(boards).toBeFocused();
  await expect(boards).toHaveAttribute('aria-expanded', 'false');
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('header').getByRole('link', { name: 'Threads', exact: true })).toBeFocused();
  await page.keyboard.press('ArrowLeft');
  await expect(boards).toBeFocused();
});

test('it opens under the pointer, one dropdown at a time', async ({ page }) => {
  await page.goto(storefront);
  await page.locator('header').getByRole('link', { name: 'Papers', exact: true }).hover();
  await expect(page.locator('header').getByRole('link', { name: 'Stone' })).toBeVisible();
  await page.locator('header').getByRole('link', { name: 'About us', exact: true }).hover();
  await expect(page.locator('header').getByRole('link', { name: 'Our makers' })).toBeVisible();
  await expect(page.locator('header').getByRole('link', { name: 'Stone' })).toBeHidden();
});

test('it works with no script', async ({ browser }) => {
  const context = await browser.newContext({ javaScriptEnabled: false });
  const page = await context.newPage();
  await page.goto(storefront);
  await page.locator('header').getByRole('link', { name: 'Papers', exact: true }).hover();
  await page.locator('header').getByRole('link', { name: 'Combed' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Combed');
  await expect(page.getByRole('navigation', { name: 'You are here' })).toHaveText(/Front page\s*Papers\s*Marbled papers\s*Combed/);
  const narrow = await browser.newContext({ javaScriptEnabled: false, viewport: { width: 390, height: 700 } });
  const phone = await narrow.newPage();
  await phone.goto(storefront);
  await phone.getByText('Menu', { exact: true }).click();
  await phone.getByRole('navigation', { name: 'Shop, on a phone' }).getByText('Tools', { exact: true }).first().click();
  await phone.getByRole('link', { name: 'All of Tools' }).click();
  await expect(phone.getByRole('heading', { level: 1 })).toHaveText('Tools');
});

test('every entry of the header fits the screen when its dropdown is open', async ({ page }) => {
  for (const width of [1280, 1600]) {
    await page.setViewportSize({ width, height: 800 });
    await page.goto(storefront);
    for (const button of await page.locator('.desk-menu .disclose').all()) {
      await button.click();
      const box = await boxOf(page.locator('.disclose[aria-expanded="true"] ~ .dropdown'));
      expect(box.x + box.width).toBeLessThanOrEqual(width);
      expect(box.x).toBeGreaterThanOrEqual(0);
    }
  }
});

test('the menus shift nothing while a page arrives', async ({ page }) => {
  await page.addInitScript(() => {
    (window as never as { shifts: number }).shifts = 0;
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) (window as never as { shifts: number }).shifts += (entry as never as { value: number }).value;
    }).observe({ type: 'layout-shift', buffered: true });
  });
  for (const path of ['/', '/papers/marbled', '/policies/privacy']) {
    await page.goto(storefront + path, { waitUntil: 'networkidle' });
    expect(await page.evaluate(() => (window as never as { shifts: number }).shifts), path).toBeLessThan(0.01);
  }
});

test('all kinds of pages open, and say where they stand', async ({ page }) => {
  const pages = {
    '/': 'Papers, threads and hand tools for bookbinding',
    '/products': 'Everything we sell',
    '/collections': 'Collections',
    '/collections/reduced': 'Reduced',
    '/tools/cutting': 'Cutting and paring',
    '/products/strop-and-paste': 'Strop and paste',
    '/binding-guides': 'Binding guides',
    '/binding-guides/which-way-the-grain-runs': 'Which way the grain runs',
    '/policies/delivery': 'Delivery',
    '/journal': 'The bench journal',
    '/journal/pear-wood': 'Pear wood',
    '/contact': 'Write or call',
    '/search?q=silk': 'Search the shop',
    '/sign-in': 'Sign in',
  };
  for (const [path, heading] of Object.entries(pages)) {
    const answer = await page.goto(storefront + path);
    expect(answer?.status(), path).toBe(200);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(heading);
  }
  await page.goto(`${storefront}/search?q=headband silk gold`);
  await expect(page.getByRole('link', { name: 'Headband silk, gold' })).toBeVisible();
  await expect(page.locator('.listed__count')).toHaveText('1 product');
});

test('a page says to programs where it stands and where its header leads', async ({ page }) => {
  await page.goto(`${storefront}/papers/marbled`);
  const said = JSON.parse((await page.locator('script[type="application/ld+json"]').textContent()) ?? '');
  const of = (type: string) => (said['@graph'] as { '@type': string }[]).filter((one) => one['@type'] === type);
  expect((of('BreadcrumbList') as unknown as { itemListElement: { name: string; item: string }[] }[])[0]?.itemListElement).toEqual(
    ['/', '/papers', '/papers/marbled'].map((path, n) => ({
      '@type': 'ListItem',
      position: n + 1,
      name: expect.any(String),
      item: expect.stringMatching(new RegExp(`^https?://[^/]+${path}$`)),
    })),
  );
  expect(of('SiteNavigationElement').map((one) => (one as unknown as { name: string }).name)).toContain('Threads');
});

test('a shelf with many products is read page by page', async ({ page }) => {
  await page.goto(`${storefront}/papers`);
  const first = await page.locator('main .product-card h3').allTextContents();
  expect(first).toHaveLength(24);
  await page.getByRole('link', { name: 'More of Papers' }).click();
  const second = await page.locator('main .product-card h3').allTextContents();
  expect(second.length).toBeGreaterThan(10);
  expect(second.filter((title) => first.includes(title))).toEqual([]);
});

test('links in a text follow their places', async ({ page }) => {
  await page.goto(`${storefront}/binding-guides/which-way-the-grain-runs`);
  await expect(page.getByRole('link', { name: 'grain chart' })).toHaveAttribute('href', '/files/paper-grain-chart.pdf');
  const file = await ask(page, '/files/paper-grain-chart.pdf');
  expect([file.status(), file.headers()['content-type']]).toEqual([200, 'application/pdf']);
  expect((await file.body()).subarray(0, 5).toString()).toBe('%PDF-');
});

test('an address that cannot be read gets a plain page', async ({ page }) => {
  for (const path of ['/%zz', '/a%00b', '/%FF', `/${'a'.repeat(2048)}`, `/${'a'.repeat(9000)}`]) {
    const answer = await ask(page, path);
    expect(answer.status(), path.slice(0, 20)).toBe(400);
    expect(await answer.text()).toContain('This address cannot be read');
  }
});

test('nothing here, gone, moved and closed answer as they should', async ({ page }) => {
  const answers = async (path: string) => {
    const answer = await ask(page, path);
    return [answer.status(), answer.headers().location ?? null];
  };
  expect(await answers('/nothing')).toEqual([404, null]);
  expect(await answers('/paper-club')).toEqual([410, null]);
  expect(await answers('/about-us/autumn-workshop')).toEqual([404, null]);
  expect(await answers('/Papers//Marbled/?sort=name')).toEqual([301, '/papers/marbled?sort=name']);
  expect(await answers('/paper-marbling')).toEqual([301, '/papers/marbled']);
  expect(await answers('/find-us')).toEqual([302, expect.stringMatching(/^\/about-us\//)]);
  expect(await answers('/blog/pear-wood?from=letter')).toEqual([301, '/journal/pear-wood?from=letter']);
  expect((await page.request.head(`${storefront}/papers`)).status()).toBe(200);
  expect((await page.request.post(`${storefront}/papers`)).status()).toBe(405);
  await page.goto(`${storefront}/marbled-things`);
  await expect(page.getByRole('searchbox')).toHaveValue('marbled things');
});

test('robots, sitemap and menus are there for other programs', async ({ page }) => {
  expect(await (await ask(page, '/robots.txt')).text()).toContain(`Sitemap: ${storefront}/sitemap.xml`);
  const sitemap = await (await ask(page, '/sitemap.xml')).text();
  expect(sitemap).toContain(`<loc>${storefront}/papers/marbled</loc>`);
  expect(sitemap).not.toContain('autumn-workshop');
  expect(sitemap).not.toContain('/search<');
  const menus = await ask(page, '/navigation.json');
  const etag = menus.headers().etag ?? '';
  expect(etag).not.toBe('');
  expect((await page.request.get(`${storefront}/navigation.json`, { headers: { 'If-None-Match': etag } })).status()).toBe(304);
  expect((await menus.json()).bays.header.entries[0]).toMatchObject({ label: 'Papers', address: '/papers' });
});

test('nothing of another origin is fetched, framed or run', async ({ browser }) => {
  const page = await visitor(browser, '/');
  const policy = (await ask(page, '/')).headers()['content-security-policy'];
  expect(policy).toContain("default-src 'self'");
  expect(policy).toContain("frame-ancestors 'none'");
  const others: string[] = [];
  page.on('request', (request) => {
    if (!request.url().startsWith(storefront)) others.push(request.url());
  });
  await page.goto(`${storefront}/journal/pear-wood`, { waitUntil: 'networkidle' });
  expect(others).toEqual([]);
});

test('a preview needs its token, and cannot be made up', async ({ page }) => {
  for (const path of [
    '/-/preview/x.y/',
    `/-/preview/${Buffer.from('["workbench",true,null,9999999999]').toString('base64url')}.${'A'.repeat(43)}/`,
  ]) {
    expect((await ask(page, path)).status()).toBe(403);
  }
});
