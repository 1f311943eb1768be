import { expect, type Page, test } from '@playwright/test';
import { act, admin, ask, axeFinds, publish, signIn, storefront } from './shop';

/** Calls the API as the interface does, to make what a long life of the shop would have left behind. */
const call = <T>(page: Page, path: string, body: unknown): Promise<T> =>
  page.evaluate(
    async ([url, json]) => {
      const token = document.querySelector<HTMLMetaElement>('meta[name="csrf-token"]')?.content ?? '';
      const response = await fetch(url, {
        method: 'POST',
        body: json,
        headers: { 'Content-Type': 'application/json', 'X-CSRF-Token': token },
      });
      if (!response.ok) throw new Error(await response.text());
      return (await response.json()) as unknown;
    },
    [path, JSON.stringify(body)] as const,
  ) as Promise<T>;

const tray = (page: Page) => page.getByRole('region', { name: 'What waits' });

test('thirty addresses are tidied, a category moves with sixty below, a collection ends, eight hundred redirects come in, all in one step', async ({
  page,
}) => {
  test.setTimeout(150_000);
  await signIn(page);
  // A category with sixty places below it, which visitors know.
  const tree = await call<{ id: string }>(page, '/api/places', { kind: 'category', title: 'Old stock' });
  for (let n = 1; n <= 60; n++) await call(page, '/api/places', { kind: 'category', title: `Shelf ${n}`, parent: tree.id });
  await page.reload();
  await publish(page);

  // Thirty addresses in one sheet, by keyboard: type, down, type, down.
  await page.goto(`${admin}/places?kind=product&order=address`);
  const boxes = page.getByRole('checkbox', { name: /^Choose (?!all)/ });
  await boxes.nth(0).check();
  const thirtieth = page.locator('tr[aria-rowindex="31"]');
  await page.getByRole('region', { name: 'Table of places' }).evaluate((box) => box.scrollBy(0, 900));
  await thirtieth.getByRole('checkbox').click({ modifiers: ['Shift'] });
  const chosen = page.getByRole('region', { name: 'Chosen places' });
  await expect(chosen).toContainText('30 places chosen');
  await chosen.getByRole('button', { name: 'Addresses…' }).click();
  const sheet = page.getByRole('dialog', { name: 'Addresses' });
  const old = (await sheet.getByRole('row').locator('td:nth-child(2)').allTextContents()).filter(Boolean);
  expect(old).toHaveLength(30);
  await sheet.getByRole('textbox').first().focus();
  for (const address of old) {
    await page.keyboard.insertText(address === old[2] ? '/search' : address.replace('/products/', '/shelf/'));
    await page.keyboard.press('ArrowDown');
  }
  await expect(sheet).toContainText('1 of 30 cannot be like this');
  await expect(sheet).toContainText('/search is reserved: visitors search the shop there');
  await expect(sheet.getByRole('button', { name: 'Change 30 addresses' })).toBeDisabled();
  await sheet
    .getByRole('textbox')
    .nth(2)
    .fill((old[2] ?? '').replace('/products/', '/shelf/'));
  await expect(sheet).toContainText('will lead on for good (301)');
  await sheet.getByRole('button', { name: 'Change 30 addresses' }).click();
  await expect(page.getByText('30 places have other addresses now.').first()).toBeVisible();

  // The category, in the table.
  await page.goto(`${admin}/places?kind=category&q=Old+stock`);
  await page.getByRole('button', { name: /^Address of Old stock/ }).click();
  await page.getByRole('textbox', { name: 'Address', exact: true }).fill('/archive');
  const row = page.getByRole('row').filter({ hasText: 'Old stock' });
  await expect(row).toContainText('60 places below come along.');
  await expect(row).toContainText('/old-stock and /old-stock/* will lead on for good (301).');
  await row.getByRole('button', { name: 'Change the address' }).click();
  await expect(page.getByText('“Old stock” stands at /archive now, and 60 below with it.').first()).toBeVisible();
  // Undone as one, and made again.
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(page.getByRole('button', { name: 'Address of Old stock: /old-stock' })).toBeVisible();
  await page.getByRole('button', { name: /^Address of Old stock/ }).click();
  await page.getByRole('textbox', { name: 'Address', exact: true }).fill('/archive');
  await row.getByRole('button', { name: 'Change the address' }).click();
  await expect(page.getByRole('button', { name: 'Address of Old stock: /archive' })).toBeVisible();

  // The collection.
  await page.goto(`${admin}/places?q=winter`);
  await page.goto(`${admin}/places?kind=collection`);
  await page.getByRole('link', { name: 'Small gifts' }).click();
  await page.getByRole('button', { name: 'Remove…' }).click();
  const end = page.getByRole('dialog', { name: 'Remove “Small gifts”' });
  await expect(end.getByRole('button', { name: 'Remove it' })).toBeDisabled();
  await end.getByRole('radio', { name: /^Nowhere: not found/ }).check();
  await expect(end).toContainText('Breaks: /collections/small-gifts answers “not found” (404)');
  await end.getByRole('radio', { name: /^Collections/ }).check();
  await expect(end).toContainText('/collections/small-gifts leads to “Collections” for good (301)');
  await end.getByRole('button', { name: 'Remove it' }).click();
  await expect(page.getByText('“Small gifts” is removed.').first()).toBeVisible();

  // Eight hundred redirects of the shop’s last web site.
  await page.goto(`${admin}/redirects`);
  await page.getByRole('button', { name: 'From a file…' }).click();
  const file = page.getByRole('dialog', { name: 'From a file' });
  const lines = Array.from(
    { length: 800 },
    (_, n) => `/site-of-2009/${n}.html;${n % 4 === 3 ? '/tools' : `/site-of-2009/${n + 1}.html`};301`,
  );
  await file
    .getByLabel('The file:')
    .setInputFiles({ name: 'old.csv', mimeType: 'text/csv', buffer: Buffer.from(`Old;New;Code\n${lines.join('\n')}\n`) });
  await expect(file).toContainText('800 go in, 0 are there already, 0 are refused');
  await file.getByRole('button', { name: 'Take the 800 good lines' }).click();
  await expect(page.getByText('800 redirects are made.').first()).toBeVisible();
  await expect(tray(page)).toContainText('redirects');
  await publish(page);

  // Any of them can be tried, and all of them are.
  const shelves = Array.from({ length: 60 }, (_, n) => `/old-stock/shelf-${n + 1}`);
  const all = [...old, '/old-stock', ...shelves, '/collections/small-gifts', ...lines.map((one) => one.split(';')[0] ?? '')];
  await page.getByRole('textbox', { name: 'Addresses to try' }).fill(all.join('\n'));
  await page.getByRole('region', { name: 'Try an address' }).getByRole('radio', { name: 'Live' }).click();
  await expect(page.getByText(`${all.length} tried: ${all.length} lead on in one hop.`)).toBeVisible();
  for (const address of [...old, ...shelves, '/collections/small-gifts', '/site-of-2009/0.html']) {
    const hop = await ask(page, address);
    expect([301, address], address).toEqual([hop.status(), address]);
    expect((await ask(page, hop.headers().location ?? '')).status(), address).toBe(200);
  }
});

test('what is answered before the framework starts is what the rules say, before and after a release', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/redirects`);
  const csv = await (await page.request.get(`${admin}/api/redirects/export.csv`)).text();
  const sources = csv
    .split('\r\n')
    .slice(1)
    .map((line) => line.split(',')[0] ?? '')
    .filter((source) => source && !source.endsWith('*'))
    .slice(0, 120);
  const addresses = [
    ...sources,
    ...sources.slice(0, 20).map((one) => `${one.toUpperCase()}/?a=1&b=2`),
    ...sources.slice(0, 20).map((one) => `${one}?from=letter`),
    '/',
    '/papers',
    '/kits/calendar-kits',
    '/nothing-here',
    '/blog/anything',
  ];
  const compare = async () => {
    const { answers } = await call<{ answers: { status: number; location: string | null }[] }>(page, '/api/answers', {
      addresses,
      copy: 'live',
    });
    for (const [n, address] of addresses.entries()) {
      // Twice: the second time this node may have it by heart.
      for (let time = 0; time < 2; time++) {
        const given = await ask(page, address);
        expect([given.status(), given.headers().location ?? null], address).toEqual([answers[n]?.status, answers[n]?.location ?? null]);
      }
    }
  };
  await compare();
  const { step } = await call<{ step: string }>(page, '/api/redirects/many', { ids: await idsOf(page, 'bone-folders'), target: '/tools' });
  await page.reload();
  await publish(page);
  expect((await ask(page, '/bone-folders')).headers().location).toBe('/tools');
  await compare();
  await call(page, `/api/edits/${step}/undo`, {});
  await page.reload();
  await publish(page);
  expect((await ask(page, '/bone-folders')).headers().location).toBe('/tools/folding');
});

const idsOf = async (page: Page, words: string): Promise<string[]> => {
  const { rows } = (await (await page.request.get(`${admin}/api/redirects?q=${words}`)).json()) as { rows: { id: string }[] };
  return rows.map(({ id }) => id);
};

test('a page that was made once is given again, until what it shows is published anew', async ({ page }) => {
  await signIn(page);
  const first = await ask(page, '/binding-guides/keeping-a-knife-sharp');
  const again = await ask(page, '/binding-guides/keeping-a-knife-sharp');
  expect(await again.text()).toBe(await first.text());
  expect(again.headers()['content-security-policy']).toBe(first.headers()['content-security-policy']);
  const known = await page.request.get(`${storefront}/binding-guides/keeping-a-knife-sharp`, {
    headers: { 'If-None-Match': first.headers().etag ?? '' },
  });
  expect(known.status()).toBe(304);
  await page.goto(`${admin}/places?kind=page`);
  await page.getByRole('link', { name: 'Keeping a knife sharp' }).click();
  await page.getByRole('textbox', { name: 'Title', exact: true }).fill('A sharp knife, and why');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'A sharp knife, and why' })).toBeVisible();
  expect(await (await ask(page, '/binding-guides/keeping-a-knife-sharp')).text()).toBe(await first.text());
  await publish(page);
  expect(await (await ask(page, '/binding-guides/keeping-a-knife-sharp')).text()).toContain('A sharp knife, and why');
});

test('each status has its own headers, and other methods are answered, too', async ({ page }) => {
  const head = await page.request.head(`${storefront}/bone-folders`, { maxRedirects: 0 });
  expect([head.status(), head.headers()['cache-control']]).toEqual([301, 'max-age=3600, public']);
  const moved = await page.request.post(`${storefront}/bone-folders`, { maxRedirects: 0, data: 'x' });
  expect([moved.status(), moved.headers().location]).toEqual([301, '/tools/folding']);
  const written = await page.request.put(`${storefront}/papers`, { data: 'x' });
  expect([written.status(), written.headers().allow]).toEqual([405, 'GET, HEAD, OPTIONS']);
  const asked = await page.request.fetch(`${storefront}/papers`, { method: 'OPTIONS' });
  expect([asked.status(), asked.headers().allow]).toEqual([204, 'GET, HEAD, OPTIONS']);
});

test('redirects are made by letters, changed many at once, and all of it is taken back', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/redirects`);
  for (const n of [1, 2, 3]) {
    await page.getByRole('button', { name: 'New redirect' }).click();
    const form = page.getByRole('form', { name: 'New redirect' });
    await form.getByLabel('From').fill(`/fair-${n}`);
    await form.getByRole('combobox', { name: 'To' }).fill('folding and cre');
    await expect(form.getByRole('option').first()).toContainText('Folding and creasing');
    await form.getByRole('combobox', { name: 'To' }).press('Enter');
    await form.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByText(`The redirect from /fair-${n} is made.`).first()).toBeVisible();
  }
  await page.getByRole('searchbox', { name: 'Search redirects' }).fill('/fair-');
  await expect(page.getByRole('checkbox', { name: /^Choose \/fair/ })).toHaveCount(3);
  await page.getByRole('checkbox', { name: 'Choose all that the table is narrowed to' }).click();
  const many = page.getByRole('region', { name: 'Chosen redirects' });
  await act(page, 'How they answer', /^for now \(302\)/);
  await expect(page.getByRole('row').filter({ hasText: 'for now (302)' })).toHaveCount(3);
  await expect(many).toHaveCount(0);
  await page.getByRole('checkbox', { name: 'Choose all that the table is narrowed to' }).click();
  await many.getByRole('combobox', { name: 'Lead all of them to' }).fill('/fair-2');
  await many.getByRole('button', { name: 'Lead them there' }).click();
  await expect(page.getByText('/fair-2: This would go round in a circle').first()).toBeVisible();
  await page.getByRole('heading', { name: 'Redirects' }).click();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('row').filter({ hasText: 'for good (301)' })).toHaveCount(3);
});

test('closing many asks where their visitors go', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/places?kind=article`);
  await page.getByRole('checkbox', { name: 'Choose Pear wood' }).check();
  const chosen = page.getByRole('region', { name: 'Chosen places' });
  await chosen.getByRole('button', { name: 'Make closed…' }).click();
  await chosen.getByRole('button', { name: 'Gone (410)' }).click();
  await expect(page.getByText('1 place is now closed.').first()).toBeVisible();
  await page
    .getByRole('textbox', { name: 'Search places' })
    .or(page.getByRole('searchbox', { name: 'Search places' }))
    .first()
    .blur();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Taken back: 1 place is now closed.').first()).toBeVisible();
});

test('axe finds nothing in the redirects, a sheet of addresses and the end of a place', async ({ page }) => {
  await signIn(page);
  await page.goto(`${admin}/redirects`);
  await page.getByRole('textbox', { name: 'Addresses to try' }).fill('/bone-folders\n/nothing');
  await expect(page.getByText('2 tried')).toBeVisible();
  await page.getByRole('button', { name: 'New redirect' }).click();
  await page.getByRole('combobox', { name: 'To', exact: true }).fill('fold');
  await expect(page.getByRole('option').first()).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
  await page
    .getByRole('checkbox', { name: /^Choose \// })
    .first()
    .check();
  expect(await axeFinds(page)).toEqual([]);
  await page.goto(`${admin}/places?kind=page`);
  await page
    .getByRole('button', { name: /^Address of Care of paper|^Address of Keeping|^Address of A/ })
    .first()
    .click();
  expect(await axeFinds(page)).toEqual([]);
  await page.getByRole('checkbox', { name: 'Choose all that the table is narrowed to' }).click();
  await page.getByRole('button', { name: 'Addresses…' }).click();
  await page.getByRole('dialog').getByRole('textbox').first().fill('/search');
  await expect(page.getByText('1 of 1 cannot be like this')).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.goto(`${admin}/places?kind=collection`);
  await page.getByRole('link', { name: 'Acid-free' }).click();
  await page.getByRole('button', { name: 'Remove…' }).click();
  await page.getByRole('radio', { name: /^Another place/ }).check();
  await expect(page.getByRole('combobox', { name: 'The place that visitors are led to' })).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
});
