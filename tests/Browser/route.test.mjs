import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { base, check, launch, noPain, open, person, says, signIn, teacher } from './browser.mjs';

let browser;
before(async () => {
    browser = await launch();
});
after(() => browser.close());

const screened = async (page, name) => {
    const home = await person(page, name, '170');
    await page.goto(`${base}/screen?people[]=${home.split('/').pop()}`);
    await page.getByLabel(/Agrees to be measured/).check();
    await page.getByLabel('Soles together, left knee').fill('20');
    await page.getByLabel('Groin to heels').fill('20');
    await page.getByLabel('Soles together, right knee').fill('21');
    for (const side of ['left', 'right']) {
        await page.getByLabel(`Shins stacked, ${side} knee`).fill('24');
        await page.getByLabel(`Shins stacked, ${side} ankle`).fill('10');
    }
    await noPain(page);
    await page.getByRole('button', { name: /Save and next/ }).click();
    await page.waitForURL(/done/);
    return home;
};

test('from a reading to the route, its keystone, and what if', async () => {
    teacher('route@studio.example');
    const page = await open(browser);
    await signIn(page, 'route@studio.example');
    const home = await screened(page, 'Route Person');
    await page.goto(`${home}/poses/lotus`);
    await check(page);
    await says(page.locator('main'), /Limited by external rotation/);
    await page.locator('summary', { hasText: 'What if' }).click();
    await page.getByLabel('external rotation, Left').fill('130');
    await page.getByRole('button', { name: 'Try it' }).click();
    await page.getByText('It is not changed').waitFor();
    await check(page);
    await page.getByRole('link', { name: 'Prerequisites' }).click();
    await page.waitForURL(/route/);
    await check(page);
    await says(page.locator('main'), /Work on first/);

    // The picture by keyboard and by button; the list says the same without it.
    const box = () => page.locator('[data-route]').getAttribute('viewBox');
    const whole = await box();
    await page.locator('[data-route]').focus();
    await page.keyboard.press('+');
    const closer = await box();
    assert.notEqual(closer, whole);
    await page.keyboard.press('ArrowRight');
    assert.notEqual(await box(), closer);
    await page.getByRole('button', { name: 'Show all' }).click();
    assert.equal(await box(), whole);
    const picture = await page.locator('[data-route] .node').count();
    const inWords = await page.locator('.terraces .mid a, .helps a').allInnerTexts();
    assert.equal(picture, new Set(inWords).size);
    await page.goto(`${home}/compare`);
    await check(page);
});

test('reading and route on a narrow tablet, and on paper', async () => {
    teacher('narrow-route@studio.example');
    const page = await open(browser, { viewport: { width: 600, height: 960 } });
    await signIn(page, 'narrow-route@studio.example');
    const home = await screened(page, 'Narrow Route');
    for (const address of ['/poses/half-lotus', '/route?wanted[]=lotus&wanted[]=pigeon', '/compare']) {
        await page.goto(home + address);
        await check(page);
    }
    await page.goto(`${home}/route?wanted[]=lotus`);
    await page.emulateMedia({ media: 'print' });
    assert.ok(await page.locator('.route-map').isHidden());
    assert.ok(await page.locator('.terraces').isVisible());
});
