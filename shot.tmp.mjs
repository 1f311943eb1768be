import { chromium } from 'playwright-core';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const who = process.argv[2] ?? 'owner';
const c = await b.newContext({ viewport: { width: Number(process.argv[5] ?? 1280), height: Number(process.argv[6] ?? 800) } });
const p = await c.newPage();
p.on('console', m => m.type() === 'error' && console.log('console', m.text()));
await p.goto('http://127.0.0.1:8591/sign-in');
if (who === 'none') { await p.goto('http://127.0.0.1:8591' + process.argv[3]); }
else {
await p.getByLabel('Mail address').fill(`${who}@tansyandrook.example`);
await p.getByLabel('Password').fill(`lantern-${who}`);
await p.getByRole('button', { name: 'Sign in' }).click();
await p.waitForURL('**/menus');
await p.goto('http://127.0.0.1:8591' + process.argv[3]);
await p.waitForTimeout(1500);
}
const todo = process.argv[7];
if (todo) await eval(`(async () => { ${todo} })()`);
await p.screenshot({ path: process.argv[4] });
await b.close();
