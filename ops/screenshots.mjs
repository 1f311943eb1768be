// Takes the pictures for the README from a running bin/start with fresh demo data: node ops/screenshots.mjs
import { chromium } from '@playwright/test';

const storefront = process.env.LANTERN_STOREFRONT_URL ?? 'http://127.0.0.1:8090';
const admin = process.env.LANTERN_ADMIN_URL ?? 'http://127.0.0.1:8091';
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-background-networking', '--disable-component-update', '--disable-sync', '--disable-quic', '--no-first-run'],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const shot = async (name, of = page) => {
  await of.waitForTimeout(600);
  await of.screenshot({ path: `docs/screenshots/${name}.png` });
};

await page.goto(`${storefront}/papers/marbled`);
await page.locator('.desk-menu__item').first().hover();
await shot('shop');
const phone = await browser.newPage({ viewport: { width: 390, height: 800 } });
await phone.goto(`${storefront}/papers/marbled/combed`);
await phone.getByText('Menu', { exact: true }).click();
await shot('shop-on-a-phone', phone);

await page.goto(`${admin}/sign-in`);
await shot('sign-in');
await page.getByLabel('Mail address').fill('owner@tansyandrook.example');
await page.getByLabel('Password').fill('lantern-owner');
await page.getByRole('button', { name: 'Sign in' }).click();
await page.getByRole('treeitem', { name: /^Kits/ }).focus();
await page.keyboard.press('/');
await page.keyboard.type('gift');
await page.waitForTimeout(500);
await page.keyboard.press('ArrowDown');
await page.keyboard.press('ArrowUp');
await page.keyboard.press('Space');
await page.keyboard.press('Control+a');
await page.keyboard.type('binding');
await page.waitForTimeout(500);
await page.keyboard.press('ArrowDown');
await page.keyboard.press('Space');
await shot('lead');
await page.keyboard.press('Shift+Enter');
await page.waitForTimeout(600);
await page.keyboard.press('Escape');
await page.getByRole('button', { name: /^Light of Calendar kits/ }).click();
await page.getByText('Quiet', { exact: true }).click();
await page.getByRole('treeitem', { name: /^Calendar kits/ }).focus();
await shot('menus');
await page.getByRole('link', { name: 'Places' }).click();
await shot('places');
await page.getByRole('searchbox').fill('marbled papers');
await page.getByRole('link', { name: 'Marbled papers' }).click();
await page.getByRole('textbox', { name: 'Address' }).fill('/papers/marbled-by-hand');
await page.getByRole('button', { name: 'Change the address' }).waitFor();
await shot('place');
await page.getByRole('button', { name: 'Change the address' }).click();
await page.waitForTimeout(800);
await page.goto(`${admin}/places?q=calendar+kits`);
await page.getByRole('link', { name: 'Calendar kits' }).click();
await page.getByRole('toolbar').waitFor();
await page.getByRole('button', { name: 'Light', exact: true }).click();
await page.getByRole('region', { name: 'Light' }).getByText('Closed', { exact: true }).click();
await page.getByText('Breaks:').first().waitFor();
await shot('light');
await page.getByRole('button', { name: 'Leave it' }).click();
await page.getByRole('button', { name: 'Mentions', exact: true }).click();
await shot('mentions');
await page.goto(`${admin}/places/policies`);
await page.getByRole('button', { name: 'Put the one that is not there in the footer' }).click();
await page.waitForTimeout(500);
await shot('policies');
await page.goto(`${admin}/places?q=which+way+the+grain`);
await page.getByRole('link', { name: 'Which way the grain runs' }).click();
await page.getByRole('textbox', { name: /^Words of/ }).click();
await page.getByRole('button', { name: 'Link', exact: true }).click();
await page.getByRole('combobox', { name: 'A place of the shop' }).fill('marbled');
await page.getByRole('option', { name: /Marbled papers/ }).waitFor();
await shot('words');
await page.goto(`${admin}/places?kind=article`);
for (const row of [1, 2, 3]) await page.getByRole('checkbox').nth(row).check();
await shot('many');
await page.getByRole('button', { name: 'Review' }).click();
await shot('review');
await page.getByRole('dialog').getByRole('button', { name: 'Publish' }).click();
await page.waitForTimeout(1500);
await page.goto(`${admin}/releases/2`);
await shot('releases');
await browser.close();
