import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { base, check, counts, launch, open, person, says, signIn, teacher } from './browser.mjs';

let browser;
before(async () => {
    browser = await launch();
});
after(() => browser.close());

// The whole row of fields by keyboard alone: left knee, heels, right knee, trial by trial.
const typeTrials = async (page, trials) => {
    await page.locator('#bench_trials_0_kneeHeight_left').focus();
    for (const value of trials.flat()) {
        await page.keyboard.type(String(value));
        await page.keyboard.press('Tab');
    }
};

test('from sign-in through verdict and readiness check to a decision', async () => {
    teacher('journey@studio.example');
    const page = await open(browser);
    await page.goto(`${base}/sign-in`);
    await check(page);
    await signIn(page, 'journey@studio.example');
    await check(page);
    await says(page.locator('main'), /Nobody here yet/);

    const home = await person(page, 'Journey Person', '168');
    await check(page);

    // The angles appear while numbers are typed, and the legs are drawn from the answer.
    await typeTrials(page, [
        [8, 12, 9],
        [8.5, 12, '9,5'],
    ]);
    await page.getByText('Ready to try').first().waitFor();
    await says(page.locator('[data-shows="left"]'), /External rotation ≥ \d+° ± \d+°/);
    await counts(page.locator('[data-drawing] svg.figure'), 1);
    assert.ok((await page.locator('[data-drawing] [data-tape]').count()) >= 2);

    await page.locator('#bench_painLeft_level').selectOption('0');
    await page.locator('#bench_painRight_level').selectOption('0');
    await page.getByRole('button', { name: 'Save test' }).click();
    await page.waitForURL(home);
    await check(page);
    // The person page, and from there the pose, its ladder, and the check of the rung that one stands on.
    await page.getByRole('link', { name: 'Half lotus' }).first().click();
    await page.waitForURL(/poses\/half-lotus/);
    await check(page);
    const state = await page.locator('[data-reading^="half-lotus left"]').getAttribute('data-reading');
    await page.getByRole('link', { name: 'Ladder', exact: true }).first().click();
    await page.waitForURL(/ladder$/);
    await check(page);
    assert.equal(await page.locator('[data-reading^="half-lotus left"]').getAttribute('data-reading'), state);
    await page.getByRole('link', { name: 'Readiness check, left side' }).click();
    await check(page);
    await page.getByRole('radio', { name: 'Yes' }).first().check();
    await page.getByRole('radio', { name: 'Yes' }).last().check();
    await page.getByLabel('Pain, 0 to 10').selectOption('0');
    await page.getByRole('button', { name: /Save and see/ }).click();
    await check(page);
    await says(page.locator('main'), /1 clean session so far/);
    await page.getByRole('button', { name: 'Save decision' }).click();
    await page.waitForURL(/ladder$/);
    await says(page.locator('main'), /The decision is saved/);

    // Up the ladder by eye: the ground is seen clean on both sides, the next rung is not tried.
    await page.getByRole('link', { name: 'Try the ladder' }).click();
    await check(page);
    for (const side of ['left', 'right']) {
        await says(page.locator('h1'), new RegExp(side));
        await page.getByRole('radio', { name: /^Clean/ }).check();
        await page.locator('select[id$="_level"]').selectOption('0');
        await page.getByRole('button', { name: 'Save and continue' }).click();
    }
    await check(page);
    await page.getByRole('link', { name: 'End here' }).click();
    await counts(page.getByText(/^done cleanly/), 2);

    await page.goto(home);
    await check(page);
    for (const address of ['/body', '/clearance', '/walk/lotus', '/ladder/leg-behind-head', '/tests/soles-together']) {
        await page.goto(home + address);
        await check(page);
    }
    await page.goto(`${base}/account`);
    await check(page);
    await page.getByRole('button', { name: 'Sign out' }).click();
    await page.waitForURL(/sign-in$/);
    await page.goto(home);
    assert.equal(page.url(), `${base}/sign-in?back=${new URL(home).pathname}`);
});

test('pain in the knee stops one side, and says so everywhere', async () => {
    teacher('pain@studio.example');
    const page = await open(browser);
    await signIn(page, 'pain@studio.example');
    const home = await person(page, 'Sore Knee', '172');
    await typeTrials(page, [
        [15, 22, 15],
        [15, 22, 15],
    ]);
    await page.locator('#bench_painLeft_level').selectOption('0');
    await page.locator('#bench_painRight_level').selectOption('2');
    await page.getByRole('button', { name: 'Save test' }).click();
    // The place was not named: the form comes back whole, with the focus on the fault.
    await page.getByText('Say where it hurts').waitFor();
    await says(page.locator('main'), /Say where it hurts/);
    assert.equal(await page.locator('#bench_trials_1_kneeHeight_right').inputValue(), '15');
    assert.equal(await page.evaluate(() => document.activeElement.id), 'bench_painRight_place');
    await page.locator('#bench_painRight_place').selectOption('knee');
    await page.getByRole('button', { name: 'Save test' }).click();
    await page.waitForURL(home);
    await says(page.locator('main'), /Pain in or around a knee right side/);
    await page.goto(`${home}/ladder/half-lotus`);
    await check(page);
    assert.equal(await page.getByRole('link', { name: 'Readiness check, right side' }).count(), 0);
    await counts(page.locator('[data-reading="half-lotus right held"]'), 1);
    // Nor is the walk invited there, and the check by its address is none.
    await page.goto(`${home}/walk/leg-cradle`);
    await says(page.locator('h1'), /left/);
    // Up half lotus neither side is led: the thigh of the one that hurts would carry the other's foot.
    await page.goto(`${home}/walk/half-lotus`);
    await says(page.locator('h1'), /Ladder tried/);
    await page.goto(`${base}/`);
    await says(page.locator('main'), /On hold/);
    await check(page);

    // A word lifts it, by name; tests come first, and the side is not open for it.
    await page.goto(`${home}/clearance`);
    await check(page);
    await page.getByRole('button', { name: 'Save clearance' }).click();
    await says(page.locator('main'), /Choose what it clears/);
    await check(page);
    // What was typed before the place was named holds as well: both are lifted.
    for (const box of await page.locator('input[name="clearance_form[names][]"]').all()) {
        await box.check();
    }
    await page.locator('input[name="clearance_form[word]"][value="clinician"]').check();
    await page.getByLabel('Name', { exact: true }).fill('A. Marsh');
    await page.getByLabel('Profession').fill('physiotherapist');
    await page.getByLabel('Everything').check();
    await page
        .getByLabel('What they found and allowed, in their words')
        .fill('No finding; sitting postures as far as they are free of pain.');
    await page.getByLabel(/Asked today/).check();
    await page.getByRole('button', { name: 'Save clearance' }).click();
    await page.waitForURL((url) => !url.href.endsWith('clearance'));
    await page.goto(`${home}/ladder/half-lotus`);
    assert.equal(await page.locator('[data-reading="half-lotus right held"]').count(), 0);
    assert.equal(await page.locator('[data-reading="half-lotus right open"]').count(), 0);
    await says(page.locator('main'), /Tests come first|test.* first/i);
    await check(page);
});

test('both sides change places for a teacher who faces the practitioner, and a narrow tablet shows all of it', async () => {
    teacher('facing@studio.example');
    const page = await open(browser, { viewport: { width: 600, height: 960 } });
    await signIn(page, 'facing@studio.example');
    const home = await person(page, 'Facing Person', '175');
    await typeTrials(page, [[14, 20, 18]]);
    await page.getByText('Lying down or with support').first().waitFor();
    await check(page);
    const leftOf = async (selector) => (await page.locator(selector).boundingBox()).x;
    const [left, right] = ['[data-shows="left"]', '[data-shows="right"]'];
    assert.ok((await leftOf(left)) < (await leftOf(right)));
    await page.getByRole('button', { name: 'Mirror left and right' }).click();
    assert.ok((await leftOf(left)) > (await leftOf(right)));
    assert.ok(await page.locator('[data-drawing] svg.figure').isVisible());
    // What was typed is kept while one looks at something else.
    await page.getByText('Saved.', { exact: true }).waitFor();
    await page.goto(home);
    await check(page);
    await page.goBack();
    await page.waitForFunction(() => document.querySelector('#bench_trials_0_heelDistance').value === '20');
});

test('the numbers stay when the server cannot be reached', async () => {
    teacher('offline@studio.example');
    const page = await open(browser);
    await signIn(page, 'offline@studio.example');
    await person(page, 'Offline Person', '175');
    await page.context().setOffline(true);
    await typeTrials(page, [[14, 20, 18]]);
    await page.getByText('Your numbers are still here').waitFor();
    assert.equal(await page.locator('#bench_trials_0_heelDistance').inputValue(), '20');
    await page.context().setOffline(false);
    await page.keyboard.type('14');
    await page.getByText('Lying down or with support').first().waitFor();
});
