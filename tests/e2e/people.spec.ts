import { type Browser, expect, type Page, test } from '@playwright/test';
import { codeOf, OwnShop } from './own-shop';
import { axeFinds, line, outline, publish, told } from './shop';

/** One shop, from nothing to a team: its story goes on from test to test. */
test.describe.configure({ mode: 'serial' });

const passwords = { ada: 'tin heron quarry lace', ben: 'slow copper orchard tide', cleo: 'nine paper lanterns east' };
let shop: OwnShop;
let ada: Page;
let secret = '';

test.beforeAll(async ({ browser }) => {
  test.setTimeout(180_000);
  shop = await OwnShop.begin(process.env.LANTERN_VAR ?? '/tmp/lantern-own');
  ada = await (await browser.newContext()).newPage();
});

test.afterAll(async () => {
  await ada?.context().close();
  await shop?.end();
});

const nav = (page: Page) => page.getByRole('navigation', { name: 'Views' });

async function typePassword(page: Page, password: string, button: string): Promise<void> {
  await page.getByLabel('Password', { exact: true }).fill(password);
  await page.getByLabel('The same again').fill(password);
  await page.getByRole('button', { name: button }).click();
}

async function signIn(browser: Browser, mail: string, password: string): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  await page.goto(`${shop.admin}/sign-in`);
  await page.getByLabel('Mail address').fill(mail);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  return page;
}

/** The link that the last letter to somebody holds. */
async function linkTo(mail: string): Promise<string> {
  await ada.goto(`${shop.admin}/mailbox`);
  await ada
    .getByRole('button', { name: new RegExp(mail) })
    .first()
    .click();
  return (await ada.getByRole('article').getByRole('link').first().getAttribute('href')) ?? '';
}

async function invite(name: string, mail: string, role: string): Promise<string> {
  await nav(ada).getByRole('link', { name: 'People' }).click();
  const form = ada.getByRole('form', { name: 'Invite somebody' });
  await form.getByLabel('Name').fill(name);
  await form.getByLabel('Mail address').fill(mail);
  await form.getByRole('radio', { name: role }).click();
  await form.getByRole('button', { name: 'Invite' }).click();
  await expect(told(ada)).toContainText(`${name} is invited`);
  await expect(form.getByLabel('Name')).toBeFocused();
  return linkTo(mail);
}

test('an empty shop asks for its name and its first owner, and leads from the first steps to a shop that visitors see', async ({
  browser,
}) => {
  test.setTimeout(240_000);
  await ada.goto(shop.admin);
  await ada.getByLabel('Name of the shop').fill('Heron & Loom');
  await ada.getByLabel('Its time zone').fill('Mars/Olympus');
  await ada.getByLabel('Your name').fill('Ada Birch');
  await ada.getByLabel('Your mail address').fill('ada@heronloom.example');
  await typePassword(ada, passwords.ada, 'Begin');
  await expect(ada.getByRole('alert')).toContainText('no time zone');
  await expect(ada.getByLabel('Name of the shop')).toHaveValue('Heron & Loom');
  expect(await axeFinds(ada)).toEqual([]);
  await ada.getByLabel('Its time zone').fill('Europe/Lisbon');
  await typePassword(ada, passwords.ada, 'Begin');
  await expect(ada.getByRole('heading', { name: 'The first steps of Heron & Loom' })).toBeVisible();
  expect(await axeFinds(ada)).toEqual([]);
  const step = (words: string) => ada.getByRole('listitem').filter({ hasText: words });

  await ada.getByRole('link', { name: 'Fill in the details' }).click();
  for (const [label, words] of Object.entries({
    Company: 'Heron & Loom Ltd',
    'Mail address': 'post@heronloom.example',
    Telephone: '+351 1',
    'Street and town': 'Rua 1',
    Country: 'Portugal',
    'Days to return': '30',
  })) {
    await ada.getByLabel(label, { exact: true }).fill(words);
    await ada.getByLabel(label, { exact: true }).press('Tab');
  }
  await expect(ada.getByText('Every blank is filled.')).toBeVisible();
  await ada.getByRole('button', { name: /Write the 6 that are missing/ }).click();
  await expect(told(ada)).toContainText('written, and put in footer column 1');
  await nav(ada).getByRole('link', { name: 'First steps' }).click();
  await expect(step('Say who the shop is')).toContainText('done');
  await expect(step('Write the policies')).toContainText('done');

  await ada.getByRole('link', { name: 'Make a page' }).click();
  await ada.getByRole('button', { name: 'New place' }).click();
  await ada.getByLabel('Title').fill('Our loom');
  await ada.getByLabel('Title').press('Enter');
  await ada
    .getByRole('textbox', { name: /Words|Text/ })
    .first()
    .click();
  await ada.keyboard.type('It stands by the window.');
  await expect(ada.getByText('Kept', { exact: false }).first()).toBeVisible();

  await nav(ada).getByRole('link', { name: 'First steps' }).click();
  await expect(step('Write a first page')).toContainText('done');
  await ada.getByRole('link', { name: 'Make the header’s menu' }).click();
  await ada.getByLabel('Name of the new menu').fill('Main');
  await ada.getByRole('button', { name: 'Make it' }).click();
  await ada.getByRole('combobox').first().fill('our lo');
  await ada
    .getByRole('option', { name: /Our loom/ })
    .first()
    .waitFor();
  await ada.keyboard.press('Enter');
  await ada.keyboard.press('Escape');
  await expect(line(ada, 'Our loom')).toBeVisible();
  await publish(ada);
  await nav(ada).getByRole('link', { name: 'First steps' }).click();
  await expect(ada.getByRole('heading', { name: 'Heron & Loom is open' })).toBeVisible();

  const visitor = await (await browser.newContext()).newPage();
  await visitor.goto(shop.storefront);
  await visitor.getByRole('navigation').getByRole('link', { name: 'Our loom' }).click();
  await expect(visitor.getByText('It stands by the window.')).toBeVisible();
  await visitor.context().close();
  await ada.reload();
  await expect(nav(ada).getByRole('link', { name: 'First steps' })).toHaveCount(0);
  await ada.goto(`${shop.admin}/first-start`);
  await expect(nav(ada)).toBeVisible();
});

test('every view of a shop in which little is yet invites to the first act, and axe finds nothing', async () => {
  for (const view of ['filters', 'redirects', 'link-check', 'releases', 'people', 'account']) {
    await ada.goto(`${shop.admin}/${view}`);
    await expect(ada.getByRole('main')).toBeVisible();
    await ada.waitForLoadState('networkidle');
    expect(await axeFinds(ada), view).toEqual([]);
  }
});

test('two colleagues are invited; one edits, and asks the other for a release with a note', async ({ browser }) => {
  test.setTimeout(180_000);
  const forBen = await invite('Ben Okoro', 'ben@heronloom.example', 'editor');
  const ben = await (await browser.newContext()).newPage();
  await ben.goto(forBen);
  await expect(ben.getByRole('heading', { name: 'Welcome, Ben Okoro' })).toBeVisible();
  expect(await axeFinds(ben)).toEqual([]);
  await typePassword(ben, 'password1234', 'Begin');
  await expect(ben.getByRole('alert')).toContainText('tried first');
  await typePassword(ben, passwords.ben, 'Begin');
  await expect(nav(ben)).toBeVisible();
  await expect(nav(ben).getByRole('link', { name: 'People' })).toHaveCount(0);
  await ben
    .context()
    .newPage()
    .then(async (again) => {
      await again.goto(forBen);
      await expect(again.getByRole('heading', { name: 'This invitation has ended' })).toBeVisible();
      await again.close();
    });

  const cleo = await (await browser.newContext()).newPage();
  await cleo.goto(await invite('Cleo Marsh', 'cleo@heronloom.example', 'publisher'));
  await typePassword(cleo, passwords.cleo, 'Begin');
  await expect(nav(cleo)).toBeVisible();

  await nav(ben).getByRole('link', { name: 'Menus' }).click();
  await ben.goto(`${shop.admin}/menus?bay=header`);
  await ben
    .getByRole('link', { name: /Main/ })
    .or(ben.getByRole('button', { name: /Open/ }))
    .first()
    .click();
  await expect(outline(ben)).toBeVisible();
  await line(ben, 'Our loom').focus();
  await ben.keyboard.press('F2');
  await ben.keyboard.press('Control+a');
  await ben.keyboard.type('The loom');
  await ben.keyboard.press('Enter');
  const waits = ben.getByRole('region', { name: 'What waits' });
  await expect(waits.getByText(/1 change waits/)).toBeVisible();
  await expect(waits.getByRole('button', { name: 'Publish' })).toHaveCount(0);
  await waits.getByRole('button', { name: 'Ask for a release' }).click();
  await ben.getByLabel('What should they know?').fill('The new label is ready.');
  await ben.getByRole('button', { name: 'Ask', exact: true }).click();
  await expect(told(ben)).toContainText('Asked');

  await cleo.reload();
  await expect(cleo.getByRole('region', { name: 'What waits' })).toContainText('Ben Okoro asks for a release');
  await expect(cleo.getByRole('region', { name: 'What waits' })).toContainText('“The new label is ready.”');
  await publish(cleo);
  await expect(cleo.getByText('asks for a release')).toHaveCount(0);
  await ben.context().close();
  await cleo.context().close();
});

test('a second factor is set up, asked of everybody, and a recovery code lets in once', async ({ browser }) => {
  test.setTimeout(180_000);
  await ada.goto(`${shop.admin}/people`);
  await ada.getByRole('switch', { name: 'A second factor is needed to sign in' }).click();
  await expect(ada.getByRole('main').getByRole('alert')).toContainText('Set up your own second factor first');
  await ada.getByRole('link', { name: 'Ada Birch' }).click();
  await ada.getByRole('button', { name: 'Set it up…' }).click();
  await ada.getByLabel('Your password, once more').fill(passwords.ada);
  await ada.getByRole('button', { name: 'Go on' }).click();
  await expect(ada.getByRole('img', { name: /The secret, as a picture/ })).toBeVisible();
  secret = (await ada.locator('.select-all').textContent()) ?? '';
  await ada.getByLabel('The code that it shows now').fill('000000');
  await ada.getByRole('button', { name: 'It is set up' }).click();
  await expect(ada.getByRole('main').getByRole('alert')).toContainText('does not fit');
  await ada.getByLabel('The code that it shows now').fill(codeOf(secret, Date.now() - 30_000));
  await ada.getByRole('button', { name: 'It is set up' }).click();
  await expect(ada.getByRole('button', { name: 'I have them' })).toBeVisible();
  const codes = await ada.getByRole('list', { name: 'Recovery codes' }).getByRole('listitem').allTextContents();
  expect(codes).toHaveLength(10);
  expect(await axeFinds(ada)).toEqual([]);
  await ada.getByRole('button', { name: 'I have them' }).click();
  await expect(ada.getByRole('button', { name: 'Another device…' })).toBeFocused();
  await ada.goto(`${shop.admin}/people`);
  await ada.getByRole('switch', { name: 'A second factor is needed to sign in' }).click();
  await expect(told(ada)).toContainText('Everybody needs a second factor now');

  const again = await signIn(browser, 'ada@heronloom.example', passwords.ada);
  await expect(again.getByRole('heading', { name: 'Your second factor' })).toBeVisible();
  expect(await axeFinds(again)).toEqual([]);
  await again.goto(`${shop.admin}/people`);
  await expect(again.getByRole('heading', { name: 'Your second factor' })).toBeVisible();
  await again.getByLabel('Code').fill(codes[0] ?? '');
  await again.getByRole('button', { name: 'Go on' }).click();
  await expect(nav(again)).toBeVisible();
  await again.context().close();

  const ben = await signIn(browser, 'ben@heronloom.example', passwords.ben);
  await expect(ben.getByRole('heading', { name: 'One more step, Ben Okoro' })).toBeVisible();
  await ben.getByRole('button', { name: 'Set it up' }).click();
  await ben.getByLabel('The code that it shows now').fill(codeOf((await ben.locator('.select-all').textContent()) ?? ''));
  await ben.getByRole('button', { name: 'It is set up' }).click();
  await ben.getByRole('button', { name: 'I have them' }).click();
  await expect(nav(ben)).toBeVisible();
  await ben.context().close();
});

test('a laptop was lost: its session ends; and what was done is found, by whom and when', async ({ browser }) => {
  const lost = await signIn(browser, 'ada@heronloom.example', passwords.ada);
  await lost.getByLabel('Code').fill(codeOf(secret, Date.now() + 30_000));
  await lost.getByRole('button', { name: 'Go on' }).click();
  await expect(nav(lost)).toBeVisible();
  await ada.goto(`${shop.admin}/account`);
  await ada.getByRole('button', { name: 'Sign out there' }).first().click();
  await expect(told(ada)).toContainText('Signed out');
  await lost.reload();
  await expect(lost.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await lost.context().close();

  await ada.goto(`${shop.admin}/people`);
  const log = ada.getByRole('region', { name: 'What was done' });
  await log.getByRole('searchbox').fill('ben release');
  await expect(log.getByRole('listitem').filter({ hasText: 'Asked for a release: The new label is ready.' })).toBeVisible();
  const [csv] = await Promise.all([ada.waitForEvent('download'), log.getByRole('link', { name: 'As CSV' }).click()]);
  expect(csv.suggestedFilename()).toBe('audit.csv');

  const cleo = ada.getByRole('listitem').filter({ hasText: 'cleo@heronloom.example' });
  await cleo.getByRole('button', { name: 'Let go…' }).click();
  await cleo.getByRole('button', { name: 'Back' }).click();
  await expect(cleo.getByRole('button', { name: 'Let go…' })).toBeFocused();
  await ada.keyboard.press('Enter');
  await cleo.getByRole('button', { name: 'Let Cleo Marsh go' }).click();
  await expect(told(ada)).toContainText('cannot sign in any more');
  await expect(ada.getByRole('heading', { name: 'People', level: 1 })).toBeFocused();
  await expect(ada.getByText('the last owner')).toBeVisible();
  await expect(ada.getByLabel('Role of Ada Birch')).toBeDisabled();
});
