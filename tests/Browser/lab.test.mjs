import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { base, check, counts, launch, open, says, signIn, teacher } from './browser.mjs';

let browser;
before(async () => {
    browser = await launch();
});
after(() => browser.close());

const sentence = (page) => page.locator('[data-sentence]').innerText();
const until = async (page, pattern) => {
    await page.waitForFunction(
        ([source]) => new RegExp(source).test(document.querySelector('[data-sentence]').textContent),
        [pattern.source],
    );
};

test('a set-up is changed by keyboard, compared, and kept', async () => {
    teacher('lab@studio.example');
    const page = await open(browser);
    await signIn(page, 'lab@studio.example');
    await page.goto(`${base}/practitioners/new`);
    await page.getByLabel('Name').fill('Lab Person');
    await page.getByLabel(/Agrees to be measured/).check();
    await page.getByRole('button', { name: 'Continue to the body' }).click();
    await page.waitForURL(/body$/);
    const home = page.url().replace('/body', '');
    await page.goto(`${home}/lab`);
    assert.match(page.url(), /body$/, 'without a body there is nothing to draw');
    await page.getByLabel('Stature').fill('170');
    await page.getByRole('button', { name: 'Save measurements' }).click();

    await page.goto(`${home}/lab`);
    await until(page, /Missing|fits/);
    await check(page);
    // Without a test everything is a stand-in, and says so.
    await counts(page.getByText('assumed:'), 4);

    // The knee block by keyboard: every centimetre higher asks for less rotation.
    const asked = async () =>
        Number((await page.locator('.dial', { hasText: 'External rotation' }).innerText()).match(/needs (\d+)°/)[1]);
    const then = await asked();
    await page.getByLabel('Knee height, slider').focus();
    for (let i = 0; i < 12; i += 1) {
        await page.keyboard.press('ArrowRight');
    }
    await page.waitForFunction((low) => {
        const dial = [...document.querySelectorAll('.dial')].find((d) => d.textContent.includes('External rotation'));
        return Number(dial.textContent.match(/needs (\d+)°/)[1]) < low;
    }, then);
    assert.equal(await page.getByLabel('Knee height (cm)').inputValue(), '26');

    await page.getByRole('button', { name: 'Keep to compare' }).click();
    await page.getByLabel('Knee height (cm)').fill('12');
    await page.getByText('Compared').waitFor();
    await counts(page.locator('[data-held-figure] svg'), 1);
    // Turned round, both are seen from there, and the held one is still the held one.
    const asSeen = await page.locator('[data-held-figure] svg').innerHTML();
    const heldIs = (same) =>
        page.waitForFunction(
            ([seen, wanted]) => (document.querySelector('[data-held-figure] svg').innerHTML === seen) === wanted,
            [asSeen, same],
        );
    await page.getByRole('radio', { name: 'Above' }).check();
    await heldIs(false);
    await page.getByRole('radio', { name: 'Best' }).check();
    await heldIs(true);
    await check(page);

    // A number out of range is named beside the field, and nothing is lost.
    await page.getByLabel('Knee height (cm)').fill('400');
    await until(page, /out of range/);
    await says(page.locator('#lab-kneeHeight-fault'), /Write 5 to 45 cm/);
    await page.getByLabel('Knee height (cm)').fill('18,5');
    await until(page, /Missing|fits/);

    await page.getByLabel('Knee height (cm)').fill('18.5');
    await page.getByRole('button', { name: 'Save set-up' }).click();
    await page.getByText('The set-up is saved.').waitFor();
    assert.equal(await page.getByLabel('Knee height (cm)').inputValue(), '18.5');
    await check(page);
});

test('every posture draws itself, on a narrow tablet too', async () => {
    teacher('lab2@studio.example');
    const page = await open(browser, { viewport: { width: 700, height: 1000 } });
    await signIn(page, 'lab2@studio.example');
    await page.goto(`${base}/practitioners/new`);
    await page.getByLabel('Name').fill('Lab Person');
    await page.getByLabel(/Agrees to be measured/).check();
    await page.getByRole('button', { name: 'Continue to the body' }).click();
    await page.waitForURL(/body$/);
    const home = page.url().replace('/body', '');
    await page.getByLabel('Stature').fill('170');
    await page.getByRole('button', { name: 'Save measurements' }).click();
    await page.waitForURL(/soles-together$/);
    await page.goto(`${home}/lab`);
    const postures = await page.locator('#lab-posture option').evaluateAll((options) => options.map((o) => o.value));
    assert.ok(postures.length >= 18);
    // Read on its way to the page, which takes no notice of an answer once it asks something else.
    const answers = new Map();
    await page.route('**/lab/left', async (route) => {
        const response = await route.fetch();
        answers.get(route.request().postDataJSON().posture)?.(await response.json());
        await route.fulfill({ response }).catch(() => {});
    });
    for (const posture of postures) {
        const answered = new Promise((resolve) => answers.set(posture, resolve));
        await page.locator('#lab-posture').selectOption(posture);
        const answer = await answered;
        assert.ok(answer.components, `${posture}: ${JSON.stringify(answer.error)}`);
    }
    await page.unrouteAll({ behavior: 'wait' });
    await check(page);
    assert.ok((await sentence(page)).length > 0);
});
