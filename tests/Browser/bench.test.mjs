import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { base, check, launch, noPain, open, person, says, signIn, teacher } from './browser.mjs';

let browser;
before(async () => {
    browser = await launch();
});
after(() => browser.close());

const tabTo = async (page, matches) => {
    for (let i = 0; i < 90; i += 1) {
        if (await page.evaluate((selector) => document.activeElement.matches(selector), matches)) {
            return;
        }
        await page.keyboard.press('Tab');
    }
    assert.fail(`No way by keyboard to ${matches}`);
};

const onScreen = (page, heading) => page.getByRole('heading', { level: 1, name: heading }).waitFor();

test('a whole assessment by keyboard alone', async () => {
    teacher('keys@studio.example');
    const page = await open(browser);
    await signIn(page, 'keys@studio.example');
    const home = await person(page, 'Keyboard Person', '170');
    await page.goto(`${home}/assessments/new`);
    await check(page);
    await tabTo(page, '[value="shins-stacked"]');
    await page.keyboard.press('Space');
    await tabTo(page, '#before_consent');
    await page.keyboard.press('Space');
    await tabTo(page, '#before_pain_level');
    await page.keyboard.type('0');
    await tabTo(page, '#before_warm input, input[name="before[warm]"]');
    await page.keyboard.press('Space');
    await tabTo(page, 'main [type="submit"]');
    await page.keyboard.press('Enter');
    await page.waitForURL(/assessments\/[0-9a-f-]{36}$/);
    await check(page);
    await tabTo(page, 'a.main');
    await Promise.all([page.waitForNavigation(), page.keyboard.press('Enter')]);

    // Each test of the plan: numbers with Enter from one to the next, pain with P, the next test with N.
    const taken = [];
    for (;;) {
        await page.waitForLoadState('load');
        if (!(await page.locator('form[data-bench]').count())) {
            break;
        }
        const id = await page.locator('form[data-bench]').getAttribute('data-bench');
        assert.ok(!taken.includes(id), `${id} comes once`);
        taken.push(id);
        if (taken.length === 1) {
            await check(page);
        }
        await tabTo(page, 'input.figure[data-measure]');
        const fields = await page.locator('.spine input.figure').count();
        const perTrial = fields / 3;
        for (let i = 0; i < 2 * perTrial; i += 1) {
            const measure = await page.evaluate(() => document.activeElement.dataset.measure);
            await page.keyboard.type(
                { kneeHeight: '16', ankleHeight: '10', angle: '48', seconds: '12' }[measure] ?? '9',
            );
            await page.keyboard.press('Enter');
        }
        await page.evaluate(() => document.querySelector('input.figure[data-side="left"]').focus());
        for (const key of ['p', 'o']) {
            if (key === 'o') {
                await page.evaluate(() => document.querySelector('input.figure[data-side="left"]').focus());
                await page.keyboard.press('o');
                assert.match(await page.evaluate(() => document.activeElement.name), /_right\]$/);
            }
            await page.keyboard.press('p');
            assert.match(
                await page.evaluate(() => document.activeElement.name),
                key === 'p' ? /painLeft/ : /painRight/,
            );
            await page.keyboard.type('0');
        }
        await page.evaluate(() => document.querySelector('input.figure[data-side="left"]').focus());
        await Promise.all([page.waitForNavigation(), page.keyboard.press('n')]);
    }
    assert.ok(taken.includes('shins-stacked'));
    await onScreen(page, /Assessment of/);
    await says(page.locator('main'), /All chosen tests are done/);
    await page.goto(home);
    await check(page);
    await says(page.locator('.capacity'), /rotation/i);
});

test('undo, the sheet of keys, and keys that can be switched off', async () => {
    teacher('sheet@studio.example');
    const page = await open(browser);
    await signIn(page, 'sheet@studio.example');
    const home = await person(page, 'Sheet Person', '170');
    await page.goto(`${home}/tests/frog`);
    const first = page.locator('#bench_trials_0_span');
    await first.fill('80');
    await page.keyboard.press('Enter');
    await page.keyboard.press('u');
    assert.equal(await first.inputValue(), '');
    await page.keyboard.press('?');
    await page.getByRole('heading', { name: 'Keys for testing' }).waitFor();
    await check(page);
    await page.locator('[data-keys-on]').uncheck();
    await page.keyboard.press('Escape');
    await first.focus();
    await page.keyboard.press('u');
    await page.keyboard.press('?');
    assert.equal(await page.locator('dialog[open]').count(), 0);
    assert.equal(await first.inputValue(), 'u?');
});

test('the instrument drops out, jumps and sends garbage, and no reading is lost', async () => {
    teacher('rough@studio.example');
    const page = await open(browser);
    await signIn(page, 'rough@studio.example');
    const home = await person(page, 'Rough Person', '170');
    await page.goto(`${home}/tests/inward-turn`);
    await page.getByRole('button', { name: 'Connect inclinometer' }).click();
    const state = page.locator('[data-live-state]');
    await page.locator('[data-live-take]:not([disabled])').waitFor();
    await page.keyboard.press('Space');
    const first = await page.locator('#bench_trials_0_angle_left').inputValue();
    assert.match(first, /^\d{1,3}\.\d$/);
    assert.equal(await page.locator('#bench_tool').inputValue(), 'inclinometer');
    await state.filter({ hasText: 'No connection' }).waitFor();
    assert.equal(await page.locator('#bench_trials_0_angle_left').inputValue(), first);
    // It comes back by itself, and the next steady angle goes to the next trial.
    await page.locator('[data-live-take]:not([disabled])').waitFor();
    await page.locator('#bench_trials_1_angle_left').focus();
    await page.keyboard.press('Space');
    assert.match(await page.locator('#bench_trials_1_angle_left').inputValue(), /^\d{1,3}\.\d$/);
    assert.equal(await page.locator('#bench_trials_0_angle_left').inputValue(), first);
    await page.getByRole('button', { name: 'Disconnect' }).click();
    assert.ok(await page.locator('[data-inclinometer]').isHidden());
    await check(page);
});

test('paused here, taken up again in a second browser; two at once overwrite nothing', async () => {
    teacher('resume@studio.example');
    const page = await open(browser);
    await signIn(page, 'resume@studio.example');
    const home = await person(page, 'Resumed Person', '170');
    await page.goto(`${home}/tests/shins-stacked`);
    await page.locator('#bench_trials_0_kneeHeight_left').fill('16.5');
    await page.locator('#bench_trials_0_ankleHeight_left').fill('10');
    await page.getByText('Saved.', { exact: true }).waitFor();

    const other = await open(browser);
    await signIn(other, 'resume@studio.example');
    await other.goto(`${home}/tests/shins-stacked`);
    assert.equal(await other.locator('#bench_trials_0_kneeHeight_left').inputValue(), '16.5');
    await other.locator('#bench_trials_1_kneeHeight_left').fill('17');
    await other.getByText('Saved.', { exact: true }).waitFor();

    // Here nobody knows of that yet: what is typed is not sent over it, and both are shown.
    page.faults.length = 0;
    await page.locator('#bench_trials_1_kneeHeight_left').fill('19');
    const panel = page.locator('[data-versions]');
    await panel.getByText('also filled in on another device').waitFor();
    await says(panel, /Height of the top knee 2: 19/);
    await says(panel, /Height of the top knee 2: 17/);
    await panel.getByRole('button', { name: 'Use the other device' }).click();
    assert.equal(await page.locator('#bench_trials_1_kneeHeight_left').inputValue(), '17');
    // The refused write is what the browser logs; nothing else went wrong.
    assert.deepEqual(
        page.faults.filter((fault) => !/409/.test(fault)),
        [],
    );
    page.faults.length = 0;
    await check(page);
});

test('closing the tab without a network loses nothing', async () => {
    teacher('closed@studio.example');
    const page = await open(browser);
    await signIn(page, 'closed@studio.example');
    const home = await person(page, 'Closed Tab', '170');
    await page.goto(`${home}/tests/frog`);
    await page.context().setOffline(true);
    await page.locator('#bench_trials_0_span').fill('83');
    await page.getByText('Saved on this device only').waitFor();
    const again = await page.context().newPage();
    await page.close();
    await page.context().setOffline(false);
    await again.goto(`${home}/tests/frog`);
    await again.waitForFunction(() => document.querySelector('#bench_trials_0_span').value === '83');
    await again.getByText('Saved.', { exact: true }).waitFor();
});

test('landmarks on the drawn picture fill a number, with their error', async () => {
    teacher('picture@studio.example');
    const page = await open(browser, { viewport: { width: 800, height: 1100 } });
    await signIn(page, 'picture@studio.example');
    const home = await person(page, 'Picture Person', '170');
    await page.goto(`${home}/tests/shins-stacked`);
    await page.getByText('Measure on a picture').click();
    await page.getByRole('button', { name: 'Use the drawing' }).click();
    const canvas = page.locator('[data-picture-canvas]');
    await canvas.scrollIntoViewIfNeeded();
    const share = (await canvas.boundingBox()).width / 720;
    const points = [
        [160, 345],
        [420, 300],
        [250, 372],
        [30, 392],
        [690, 392],
        [480, 340],
        [660, 340],
    ];
    for (const [x, y] of points) {
        await canvas.click({ position: { x: x * share, y: y * share } });
    }
    await page.getByRole('button', { name: /Use Knee height: 15\.\d cm/ }).click();
    assert.match(await page.locator('#bench_trials_0_kneeHeight_left').inputValue(), /^15\.\d$/);
    assert.equal(await page.locator('#bench_tool').inputValue(), 'photo');
    const errors = JSON.parse(await page.locator('#bench_errors').inputValue());
    assert.ok(errors[0].kneeHeight_left > 0.2);
    await page.locator('[data-shows="left"]').scrollIntoViewIfNeeded();
    await check(page);
});

test('a class, its list and the tools pass the checks on a narrow tablet too', async () => {
    teacher('class@studio.example');
    const page = await open(browser, { viewport: { width: 600, height: 960 } });
    await signIn(page, 'class@studio.example');
    await page.goto(`${base}/screen`);
    await check(page);
    const home = await person(page, 'Class Person', '170');
    await page.goto(`${base}/screen`);
    await page.getByLabel('Class Person').check();
    await page.getByRole('button', { name: 'Start with the first' }).click();
    await onScreen(page, 'Class Person');
    await check(page);
    await page.getByLabel(/Agrees to be measured/).check();
    await page.getByLabel('Soles together, left knee').fill('14');
    await page.getByLabel('Groin to heels').fill('20');
    await page.getByLabel('Soles together, right knee').fill('15');
    await noPain(page);
    await page.getByRole('button', { name: /Save and next/ }).click();
    await onScreen(page, /Class at a glance/);
    await check(page);
    for (const address of [`${base}/instruments`, home, `${home}/assessments/new`, `${home}/tests/wide-legs`]) {
        await page.goto(address);
        await check(page);
    }
    // One hand on a tablet: whatever is pressed is 44 px high at least.
    await page.goto(`${home}/tests/soles-together`);
    const small = await page.evaluate(() =>
        [
            ...document.querySelectorAll(
                'main button, main .choice, main input:not([type="hidden"]):not([type="radio"]):not([type="checkbox"]), main select, main summary',
            ),
        ]
            .filter((e) => e.offsetParent && e.getBoundingClientRect().height < 43.5)
            .map((e) => e.outerHTML.slice(0, 80)),
    );
    assert.deepEqual(small, []);
});
