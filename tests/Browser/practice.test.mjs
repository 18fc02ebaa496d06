import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { base, check, counts, launch, measured, open, says, signIn, teacher } from './browser.mjs';

let browser;
before(async () => {
    browser = await launch();
});
after(() => browser.close());

const planned = async (page, name) => {
    const home = await measured(page, name);
    await page.goto(`${home}/plans/new`);
    await check(page);
    await page.getByLabel('Weeks', { exact: true }).fill('2');
    await page.getByRole('button', { name: 'Make plan' }).click();
    await page.waitForURL(/plans\/[0-9a-f-]{36}$/);
    return page.url();
};

// Up to the first item of work, passing over the warm-up.
const toWork = async (page) => {
    // Nobody begins before the question is answered.
    await page.getByRole('button', { name: 'Start session' }).click();
    await page.locator('[data-asked]').waitFor();
    assert.ok(await page.locator('[data-run]').isHidden());
    await page.locator('#now-level').selectOption('0');
    await page.getByRole('button', { name: 'Start session' }).click();
    for (let i = 0; i < 30 && !/Work/.test(await page.locator('[data-place]').innerText()); i += 1) {
        await page.getByRole('button', { name: 'Skip' }).click();
    }
    // Warm now: one number is read, twice, or passed over.
    await page.locator('#before-1').fill('14,5');
    await page.locator('#before-2').fill('15.5');
    await page.locator('[data-measured]').click();
};
// What hurts is written down, and what is still allowed is said.
const writtenDown = async (page) => {
    assert.ok(await page.getByRole('button', { name: 'Skip' }).isDisabled());
    await page.locator('[data-hurt-done]').click();
    await page.locator('[data-allowed]').waitFor();
    await page.locator('[data-go-on]:visible, [data-end]:visible').first().click();
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
    await page.getByRole('button', { name: 'Save session' }).click();
    await page.locator('[data-asked-last]').waitFor();
    await page.locator('#last-level').selectOption('0');
};

// From the plan's page to the first item of work of its first session.
const toSession = async (page) => {
    await page
        .getByRole('link', { name: /^Start session of/ })
        .first()
        .click();
    await page.waitForURL(/sessions/);
    await toWork(page);
};
// What hurts is said, and the log of it cannot be sent.
const hurtAndRefused = async (page) => {
    await page.getByRole('button', { name: 'Stop: it hurts' }).click();
    await page.locator('#hurt-where').selectOption('inner-thigh');
    await writtenDown(page);
    await toEnd(page);
    await page.getByRole('button', { name: 'Save session' }).click();
    await page.getByText('The server refused it').waitFor();
};
const hurtAndKept = async (page) => {
    await page.getByRole('button', { name: 'Stop: it hurts' }).click();
    await page.locator('#hurt-where').selectOption('inner-thigh');
    await writtenDown(page);
    await toEnd(page);
    await page.getByRole('button', { name: 'Save session' }).click();
    await page.getByText('Saved on this device').waitFor();
};

test('plan, practise twice, log pain, and be stepped back', async () => {
    teacher('practice@studio.example');
    const page = await open(browser);
    await signIn(page, 'practice@studio.example');
    await planned(page, 'Practice Person');
    await check(page);

    // First session: one item held to its end, by the clock.
    await page.clock.install();
    await page
        .getByRole('link', { name: /^Start session of/ })
        .first()
        .click();
    await page.waitForURL(/sessions/);
    await check(page);
    await toWork(page);
    await check(page);
    await answerYes(page);
    const name = await page.locator('[data-name]').innerText();
    // A second entry is usually better: both stand in the log.
    await page.getByRole('button', { name: 'Repeat' }).click();
    await answerYes(page);
    assert.equal(await page.locator('[data-name]').innerText(), name);
    // One cue at a time, the stop signs in sight all along.
    const cue = await page.locator('[data-cue]').innerText();
    assert.notEqual(cue, '');
    await says(page.locator('[data-stops]'), /^Stop if you feel: /);
    await page.getByText('Right and wrong').click();
    await says(page.locator('[data-pair]'), /^Right: .* Wrong: /);
    await page.clock.runFor(21_000);
    assert.notEqual(await page.locator('[data-cue]').innerText(), cue);
    await page.clock.runFor(400_000);
    assert.notEqual(await page.locator('[data-place]').innerText(), name);
    await toEnd(page);
    await page.getByText('try 2').waitFor();
    await page.locator('#after-1').fill('14.4');
    await page.getByText('within the error').waitFor();
    await page.locator('#after-1').fill('9');
    await page.getByText('more than the error').waitFor();
    await page.getByRole('button', { name: 'Save session' }).waitFor();
    await page.getByRole('button', { name: 'Save session' }).click();
    await page.waitForURL(/plans\/[0-9a-f-]{36}$/);
    await says(page.locator('main'), /not decided yet/);

    // Second session: it hurts; the gentler form is offered, and it goes on with what undoes the posture.
    await toSession(page);
    await page.getByRole('button', { name: 'Stop: it hurts' }).click();
    await page.getByText('Come out slowly').waitFor();
    await page.locator('#hurt-level').selectOption('3');
    await page.locator('#hurt-where').selectOption('outer-hip');
    await writtenDown(page);
    await toEnd(page);
    await page.getByRole('button', { name: 'Save session' }).click();
    await page.waitForURL(/plans\/[0-9a-f-]{36}$/);
    await page.getByRole('link', { name: 'What comes next?' }).first().click();
    await page.getByText('Go back one rung').first().waitFor();
    await check(page);
    await page.getByRole('button', { name: 'Save decision' }).click();
    await says(page.locator('main'), /The decision is saved/);
});

test('the network goes in mid-session, and the log arrives once it is back, once', async () => {
    teacher('tunnel@studio.example');
    const page = await open(browser, { viewport: { width: 390, height: 800 } });
    await signIn(page, 'tunnel@studio.example');
    await planned(page, 'Tunnel Person');
    await toSession(page);
    await page.context().setOffline(true);
    await hurtAndKept(page);
    await page.context().setOffline(false);
    await page.waitForURL(/plans\/[0-9a-f-]{36}$/);
    page.faults.length = 0;
    await page.reload();
    await counts(page.getByText(/not held/), 1);
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
    await page.getByText('on this device').waitFor();
    await check(page, /ERR_FAILED/);
    await page.getByRole('button', { name: 'Sign out' }).click();
    await signIn(page, 'next@studio.example');
    assert.equal(await page.getByText('on this device').count(), 0);
    await page.getByRole('button', { name: 'Sign out' }).click();
    await page.unroute('**/log');
    page.faults.length = 0;

    await signIn(page, 'waits@studio.example');
    await page.waitForFunction(() => JSON.parse(localStorage.getItem('session-logs')).length === 0);
    await page.goto(plan);
    await counts(page.getByText(/not held/), 1);
});

test('pain in the last piece of a session ends what it bars, and the server hears of it', async () => {
    teacher('last@studio.example');
    const page = await open(browser);
    await signIn(page, 'last@studio.example');
    const lastPlan = await planned(page, 'Last Person');
    await toSession(page);
    await answerYes(page);
    let place = '';
    const isLast = async () => {
        place = await page.locator('[data-place]').innerText();
        return (
            /Counterpose|Work/.test(place) &&
            !/Counterpose|Work/.test((await page.locator('[data-next-name]').innerText()) || 'Rest') &&
            /^(\d+) of (\d+)/
                .exec(place)
                .slice(1)
                .map(Number)
                .reduce((now, all) => all - now) === 1
        );
    };
    for (let i = 0; i < 60 && !(await isLast()); i += 1) {
        await page.getByRole('button', { name: 'Skip' }).click();
    }
    assert.match(place, /Counterpose|Work/);
    await page.getByRole('button', { name: 'Stop: it hurts' }).click();
    // Pressed by mistake: nothing is written down, and it goes on.
    await page.getByRole('button', { name: /pressed by mistake/ }).click();
    assert.ok(await page.getByRole('button', { name: 'Skip' }).isEnabled());
    await page.getByRole('button', { name: 'Stop: it hurts' }).click();
    await page.locator('#hurt-level').selectOption('2');
    await page.locator('#hurt-where').selectOption('knee');
    await page.locator('#hurt-side').selectOption('left');
    await check(page);
    await writtenDown(page);
    // It is told while the session goes on: it holds whether that ever comes to its end.
    await page.waitForFunction(() => JSON.parse(localStorage.getItem('session-logs')).length === 0);
    const told = await page.evaluate(async (at) => (await fetch(at)).text(), lastPlan.replace(/\/plans.*/, ''));
    assert.match(told, /Pain in or around a knee/);
    if (await page.locator('[data-run]').isVisible()) {
        await page.getByRole('button', { name: 'Skip' }).click();
    }
    await page.locator('#last-level').selectOption('0');
    await page.getByRole('button', { name: 'Save session' }).click();
    await page.waitForURL(/plans\/[0-9a-f-]{36}$/);
    // The left side of the plan is struck through from here on.
    await page.locator('.strip > .barred').first().waitFor();
    await page.locator('.strip > .barred a').first().click();
    await page.getByRole('link', { name: 'See why, and what to do' }).click();
    await page.waitForURL(/poses/);
});

test('a log that the server will not take is kept, shown and mended', async () => {
    teacher('mend@studio.example');
    const page = await open(browser);
    await signIn(page, 'mend@studio.example');
    const plan = await planned(page, 'Mend Person');
    await toSession(page);
    await answerYes(page);
    // The device's clock is days ahead: the server refuses a day that has not been.
    await page.route('**/log', async (route) => {
        const body = JSON.parse(route.request().postData());
        if (body.on === new Date().toISOString().slice(0, 10) && !body.note) {
            body.on = '2099-01-01';
        }
        await route.continue({ postData: JSON.stringify(body) });
    });
    await hurtAndRefused(page);
    await page.unroute('**/log');
    page.faults.length = 0;
    await page.goto(plan);
    await page.getByText('is in the future').waitFor();
    // Sent again from this page as it was, it is taken: the other way is to mend it.
    await page.waitForFunction(() => JSON.parse(localStorage.getItem('session-logs')).length === 0);
    await page.goto(`${base}/waiting-logs`);
    await page.getByText('None waiting').waitFor();
    await check(page, /422/);
});

test('what was refused for good is mended by its day, and its pain stays', async () => {
    teacher('mend2@studio.example');
    const page = await open(browser);
    await signIn(page, 'mend2@studio.example');
    const plan = await planned(page, 'Mend Again');
    const [owner, key, address] = await page.evaluate(async (at) => {
        const { owner: mine, key: sealed } = await (await fetch('/session-token')).json();
        return [mine, sealed, `${new URL(at).pathname}/log`];
    }, plan);
    await page.evaluate(
        async ([mine, sealed, to]) => {
            const script = [...document.scripts].map(({ src }) => src).find((src) => src.includes('/js/page.js'));
            const { queue } = await import(script.replace('page.js', 'log-queue.js'));
            await queue({
                owner: mine,
                key: sealed,
                address: to,
                body: {
                    id: crypto.randomUUID(),
                    on: '2099-01-01',
                    items: [
                        {
                            posture: 'soles-together',
                            rung: 'no-such-rung',
                            side: 'left',
                            holdReached: false,
                            pain: { level: 2, where: 'inner-thigh', kind: 'ache' },
                        },
                    ],
                    pains: [],
                    before: null,
                    after: null,
                    note: 'as typed',
                },
            });
        },
        [owner, key, address],
    );
    await page.goto(plan);
    await page.getByRole('link', { name: 'Check them' }).click();
    await page.getByText('is in the future').first().waitFor();
    await check(page, /422/);
    const today = await page.evaluate(() => new Date().toISOString().slice(0, 10));
    await page.getByLabel('Day of the session').fill(today);
    await page.getByRole('button', { name: 'Send again' }).click();
    await page.getByText('no rung').first().waitFor();
    await page.getByLabel(/Leave out/).check();
    await page.getByRole('button', { name: 'Send again' }).click();
    await page.getByText('None waiting').waitFor();
    page.faults.length = 0;
    await page.goto(plan);
    await page.locator('summary', { hasText: /^Practised$/ }).click();
    await page.getByText('as typed').waitFor();
});

test('where it was felt: two taps, a wrong place says what to change, and a knee holds', async () => {
    teacher('felt@studio.example');
    const page = await open(browser);
    await signIn(page, 'felt@studio.example');
    const home = await measured(page, 'Felt Person');
    await page.goto(`${home}/walk/pigeon`);
    const felt = page.getByRole('group', { name: 'Where was it felt?' });
    const kinds = felt.getByRole('radiogroup', { name: 'Kind of feeling' });
    assert.equal(await kinds.isVisible(), false);
    const seen = async (place) => {
        await page.getByRole('radio', { name: /^Clean/ }).check();
        await page.getByLabel('Pain, 0 to 10').selectOption('0');
        await felt.getByRole('radio', { name: place, exact: true }).check();
        await kinds.getByRole('radio', { name: 'stretch' }).check();
    };
    await seen('low back');
    assert.match(await felt.getByRole('status').innerText(), /Come out/);
    await check(page);
    // By keys: on to what is felt nowhere, which asks for no more.
    await felt.getByRole('radio', { name: 'low back', exact: true }).press('ArrowLeft');
    await felt.getByRole('radio', { name: 'nothing', exact: true }).check();
    assert.equal(await kinds.isVisible(), false);
    await seen('low back');
    await page.getByRole('button', { name: 'Save and continue' }).click();
    await page.getByText('Felt in: low back.').waitFor();
    await seen('knee');
    await page.getByRole('button', { name: 'Save and continue' }).click();
    await page.getByText('Felt in: knee. Stop.').waitFor();
    await page.goto(home);
    await page.getByText('Pain in or around a knee').first().waitFor();
    await page.goto(`${home}/progress`);
    await page.locator('summary', { hasText: 'Where it was felt' }).click();
    await page.getByText('Pigeon, Lying figure four left: low back').waitFor();
    await check(page);
});
