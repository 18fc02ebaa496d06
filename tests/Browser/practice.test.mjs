import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { base, check, launch, noPain, open, person, signIn, teacher } from './browser.mjs';

let browser;
before(async () => {
    browser = await launch();
});
after(() => browser.close());

const planned = async (page, name) => {
    const home = await person(page, name, '170');
    await page.goto(`${base}/screen?people[]=${home.split('/').pop()}`);
    await page.getByLabel(/Agrees to be measured/).check();
    await page.getByLabel('Soles together, left knee').fill('14');
    await page.getByLabel('Groin to heels').fill('20');
    await page.getByLabel('Soles together, right knee').fill('15');
    await noPain(page);
    await page.getByRole('button', { name: /Record, and next/ }).click();
    await page.waitForURL(/done/);
    await page.goto(`${home}/plans/new`);
    await check(page);
    await page.getByLabel('Weeks').fill('2');
    await page.getByRole('button', { name: 'Make the plan' }).click();
    await page.waitForURL(/plans\/[0-9a-f-]{36}$/);
    return page.url();
};

// Up to the first item of work, passing over the warm-up.
const toWork = async (page) => {
    // Nobody begins before the question is answered.
    await page.getByRole('button', { name: 'Begin' }).click();
    await page.locator('[data-asked]').waitFor();
    assert.ok(await page.locator('[data-run]').isHidden());
    await page.locator('#now-level').selectOption('0');
    await page.getByRole('button', { name: 'Begin' }).click();
    for (let i = 0; i < 30 && !/Work/.test(await page.locator('[data-place]').innerText()); i += 1) {
        await page.getByRole('button', { name: 'Skip' }).click();
    }
};
const answerYes = async (page) => {
    while (await page.locator('[data-question]').isVisible()) {
        await page.locator('[data-yes]').click();
    }
};
const toEnd = async (page) => {
    for (let i = 0; i < 40 && (await page.locator('[data-run]').isVisible()); i += 1) {
        await page.getByRole('button', { name: 'Skip' }).click();
    }
    await page.getByRole('button', { name: 'Record the session' }).click();
    await page.locator('[data-asked-last]').waitFor();
    await page.locator('#last-level').selectOption('0');
};

// From the plan's page to the first item of work of its first session.
const toSession = async (page) => {
    await page
        .getByRole('link', { name: /Practise/ })
        .first()
        .click();
    await page.waitForURL(/sessions/);
    await toWork(page);
};
// What hurts is said, and the log of it cannot be sent.
const hurtAndKept = async (page) => {
    await page.getByRole('button', { name: 'Stop: it hurts' }).click();
    await page.locator('#hurt-where').selectOption('inner-thigh');
    await page.locator('[data-hurt-done]').click();
    await toEnd(page);
    await page.getByRole('button', { name: 'Record the session' }).click();
    await page.getByText('Kept on this device').waitFor();
};

test('plan, practise twice, log pain, and be stepped back', async () => {
    teacher('practice@studio.example');
    const page = await open(browser);
    await signIn(page, 'practice@studio.example');
    const plan = await planned(page, 'Practice Person');
    await check(page);

    // First session: one item held to its end, by the clock.
    await page.clock.install();
    await page
        .getByRole('link', { name: /Practise/ })
        .first()
        .click();
    await page.waitForURL(/sessions/);
    await check(page);
    await toWork(page);
    await check(page);
    await answerYes(page);
    const name = await page.locator('[data-name]').innerText();
    // One cue at a time, the stop signs in sight all along.
    const cue = await page.locator('[data-cue]').innerText();
    assert.notEqual(cue, '');
    assert.match(await page.locator('[data-stops]').innerText(), /^Stop at: /);
    assert.match(await page.locator('[data-pair]').innerText(), /^So: .* Not so: /);
    await page.clock.runFor(21_000);
    assert.notEqual(await page.locator('[data-cue]').innerText(), cue);
    await page.clock.runFor(400_000);
    assert.notEqual(await page.locator('[data-place]').innerText(), name);
    await toEnd(page);
    await page.getByRole('button', { name: 'Record the session' }).waitFor();
    await page.getByRole('button', { name: 'Record the session' }).click();
    await page.waitForURL(plan);
    assert.match(await page.locator('main').innerText(), /not decided on yet/);

    // Second session: it hurts; the gentler form is offered, and it goes on with what undoes the posture.
    await toSession(page);
    await page.getByRole('button', { name: 'Stop: it hurts' }).click();
    await page.getByText('Come out slowly').waitFor();
    await page.locator('#hurt-level').selectOption('3');
    await page.locator('#hurt-where').selectOption('outer-hip');
    await page.locator('[data-hurt-done]').click();
    await toEnd(page);
    await page.getByRole('button', { name: 'Record the session' }).click();
    await page.waitForURL(plan);
    await page.getByRole('link', { name: 'What comes next?' }).first().click();
    await page.getByText('Step back one rung').first().waitFor();
    await check(page);
    await page.getByRole('button', { name: 'Record the decision' }).click();
    await page.waitForLoadState('load');
    assert.match(await page.locator('main').innerText(), /The decision is recorded/);
});

test('the network goes in mid-session, and the log arrives once it is back, once', async () => {
    teacher('tunnel@studio.example');
    const page = await open(browser, { viewport: { width: 390, height: 800 } });
    await signIn(page, 'tunnel@studio.example');
    const plan = await planned(page, 'Tunnel Person');
    await toSession(page);
    await page.context().setOffline(true);
    await hurtAndKept(page);
    await page.context().setOffline(false);
    await page.waitForURL(plan, { timeout: 20000 });
    page.faults.length = 0;
    await page.reload();
    assert.equal(await page.getByText(/not held/).count(), 1);
    await check(page);
});

test('a log that waits is for nobody else to read, and is sent once its own teacher is back', async () => {
    teacher('waits@studio.example');
    teacher('next@studio.example');
    const page = await open(browser);
    await signIn(page, 'waits@studio.example');
    const plan = await planned(page, 'Waiting Person');
    await toSession(page);
    await page.route('**/log', (route) => route.abort());
    await hurtAndKept(page);
    const kept = await page.evaluate(() => localStorage.getItem('session-logs'));
    assert.match(kept, /"sealed"/);
    assert.doesNotMatch(kept, /inner-thigh|pain|plans/);

    await page.goto(new URL(plan).origin);
    await page.getByText('wait on this device').waitFor();
    await check(page, /ERR_FAILED/);
    await page.getByRole('button', { name: 'Sign out' }).click();
    await signIn(page, 'next@studio.example');
    assert.equal(await page.getByText('wait on this device').count(), 0);
    await page.getByRole('button', { name: 'Sign out' }).click();
    await page.unroute('**/log');
    page.faults.length = 0;

    await signIn(page, 'waits@studio.example');
    await page.waitForFunction(() => JSON.parse(localStorage.getItem('session-logs')).length === 0);
    await page.goto(plan);
    assert.equal(await page.getByText(/not held/).count(), 1);
});
