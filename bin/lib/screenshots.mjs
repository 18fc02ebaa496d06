// One picture of each view, from the demo data.
import { execSync } from 'node:child_process';
import { chromium } from 'playwright-core';

const base = process.env.BASE_URL;
const target = 'docs/screenshots';
const browser = await chromium.launch({
    executablePath: execSync('command -v chromium').toString().trim(),
    args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--disable-background-networking',
        '--disable-component-update',
    ],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const take = async (name) => {
    await page.waitForTimeout(400);
    await page.screenshot({ path: `${target}/${name}.png` });
};
const person = async (name) => {
    await page.goto(`${base}/`);
    await page.locator('.today').getByRole('link', { name }).click();
    return page.url();
};

await page.goto(`${base}/sign-in`);
await page.fill('#email', 'demo@studio.example');
await page.fill('#password', process.env.DEMO_PASSWORD);
await page.keyboard.press('Enter');
await page.waitForURL(`${base}/`);
await take('on-the-mat');

const held = await person('Petra Quillmann');
await take('person');
await page.goto(`${held}/clearance`);
await take('clearance');

const months = await person('Maren Tolvik');
await page.goto(`${months}/progress`);
await take('progress');

const uneven = await person('Jonas Erlesand');
await page.goto(`${uneven}/tests/soles-together`);
const field = (i, name) => page.locator(`#bench_trials_${i}_${name}`);
for (const [i, values] of [
    [9, 18, 21.5],
    [9.5, 18.5, 23],
].entries()) {
    for (const [column, name] of ['kneeHeight_left', 'heelDistance', 'kneeHeight_right'].entries()) {
        await field(i, name).fill(String(values[column]));
    }
}
await page.waitForTimeout(500);
await page.evaluate(() => window.scrollTo(0, 60));
await take('test');
page.on('dialog', (dialog) => dialog.accept());
await page.goto(`${uneven}/poses/half-lotus`);
await take('pose');
await page.goto(`${uneven}/route`);
await page.evaluate(() => window.scrollTo(0, 150));
await take('route');
await page.goto(`${uneven}/plans/new`);
await page.getByRole('button', { name: 'Make plan' }).click();
await page.waitForURL(/plans\/[0-9a-f-]{36}$/);
await page.locator('.strip > .work a').first().click();
await page.locator('[data-panel] .item-panel').waitFor();
await page.evaluate(() => window.scrollTo(0, 420));
await take('plan');
await page
    .getByRole('link', { name: /^Start session of/ })
    .first()
    .click();
await page.locator('#now-level').selectOption('0');
await page.getByRole('button', { name: 'Start session' }).click();
// Past the warm-up, and what is measured or asked before the work.
for (let i = 0; i < 9; i += 1) {
    const [measured, yes] = [page.locator('[data-measured]'), page.locator('[data-yes]')];
    if (await measured.isVisible()) {
        await measured.click();
    } else if (await yes.isVisible()) {
        await yes.click();
    } else {
        await page.getByRole('button', { name: 'Skip' }).click();
    }
}
await take('session');
await page.goto(`${uneven}/report`);
await take('report');
// The practitioner's own page, on a phone, by the words that the teacher hands over.
await page.goto(`${uneven}/own`);
await page.locator('input[value="open"] + button').click();
const address = await page.locator('[data-address]:not(:empty)').innerText();
const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 }, isMobile: true })).newPage();
await phone.goto(address);
await phone.getByLabel('Choose a PIN').fill('246810');
await phone.getByLabel('PIN again').fill('246810');
await phone.getByRole('button', { name: 'Open' }).click();
await phone.getByRole('heading', { name: 'Jonas Erlesand' }).waitFor();
await phone.waitForTimeout(400);
await phone.screenshot({ path: `${target}/own-page.png` });
await page.goto(`${uneven}/ladder/half-lotus`);
await take('ladder');
await page.goto(`${uneven}/walk/pigeon`);
await take('walk');

await page.goto(`${uneven}/lab`);
await take('pose-lab');

await page.goto(`${uneven}/why`);
await take('seeing-why');

await page.goto(`${base}/library`);
await take('library');
await page.goto(`${base}/library/postures/pigeon`);
await page.evaluate(() => window.scrollTo(0, 60));
await take('posture');
await page.goto(`${base}/classes`);
await page.getByRole('link', { name: 'Hips on Monday' }).first().click();
await page.getByRole('heading', { name: /^1\. / }).waitFor();
await take('class');

const open = await person('Maren Tolvik');
await page.goto(`${open}/ladder/half-lotus/check/left`);
await take('check');
await browser.close();
