import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { accessible, base, check, launch, open } from './browser.mjs';

let browser;
before(async () => {
    browser = await launch();
});
after(() => browser.close());

// What every other journey relies on: that a page with something wrong does not pass.
test('the checks of a page find what is wrong with it', async () => {
    const page = await open(browser);
    await page.goto(`${base}/sign-in`);
    await check(page);
    const spoil = (change) =>
        page.evaluate((html) => document.querySelector('main').insertAdjacentHTML('beforeend', html), change);

    await spoil('<p><input type="text"></p>');
    await assert.rejects(accessible(page), /label: <input type="text">/);
    await page.reload();
    await spoil('<p id="pale">Hardly to be read</p>');
    await page.evaluate(() =>
        Object.assign(document.getElementById('pale').style, { color: '#ddd', background: '#fff' }),
    );
    await assert.rejects(accessible(page), /color-contrast/);
    await page.reload();
    await page.evaluate(() => document.querySelector('main').style.setProperty('min-width', '3000px'));
    await assert.rejects(check(page), /too wide/);
    await page.reload();
    await page.evaluate(() => console.error('something went wrong'));
    await assert.rejects(check(page), /something went wrong/);
});
