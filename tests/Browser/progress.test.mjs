import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { check, counts, launch, measured, open, says, signIn, teacher } from './browser.mjs';

let browser;
before(async () => {
    browser = await launch();
});
after(() => browser.close());

test('pictures of months are read by keys, mouse and touch', async () => {
    teacher('progress@studio.example');
    const page = await open(browser);
    await signIn(page, 'progress@studio.example');
    const home = await measured(page, 'Progress Person');
    await page.goto(`${home}/progress`);
    await check(page);
    // A small picture of each ability; a click opens the large one.
    await page.locator('.ability summary').first().click();
    const chart = page.locator('[data-chart]').first();
    const said = chart.locator('[data-says-here]');
    await says(said, /arrow keys/);
    await chart.focus();
    await page.keyboard.press('ArrowLeft');
    await says(said, /±/);
    await counts(chart.locator('.is-read'), 1);
    await page.keyboard.press('Home');
    await page.keyboard.press('ArrowLeft');
    await counts(chart.locator('.is-read'), 1);
    const other = page.locator('[data-chart]').nth(1);
    const box = await other.locator('svg').boundingBox();
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await says(other.locator('[data-says-here]'), /±/);
    await page.getByText('All measurements').first().click();
    await page.getByRole('columnheader', { name: 'Measurement' }).first().waitFor();
    await page.setViewportSize({ width: 600, height: 900 });
    await check(page);
    assert.ok(
        await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth),
        'Nothing runs out of a narrow page.',
    );
});

test('a journal is filtered by keyboard', async () => {
    teacher('journal@studio.example');
    const page = await open(browser);
    await signIn(page, 'journal@studio.example');
    const home = await measured(page, 'Journal Person');
    await page.goto(home);
    await page.getByRole('link', { name: 'History', exact: true }).click();
    await page.locator('.journal li').first().waitFor();
    await check(page);
    await page.getByLabel('Body', { exact: true }).focus();
    await page.keyboard.press('Space');
    await page.keyboard.press('Enter');
    await page.waitForURL(/kind/);
    assert.deepEqual(
        [...new Set(await page.locator('.journal li').evaluateAll((all) => all.map((li) => li.dataset.kind)))],
        ['body'],
    );
    await page.getByRole('link', { name: 'Everything' }).click();
    await page.locator('[data-kind="test"]').first().waitFor();
    await page.setViewportSize({ width: 600, height: 900 });
    await check(page);
});
