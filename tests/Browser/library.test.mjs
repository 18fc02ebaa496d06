import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { base, check, counts, launch, open, says, signIn, teacher } from './browser.mjs';

let browser;
before(async () => {
    browser = await launch();
});
after(() => browser.close());

test('a posture is found in spite of its spelling, read, adapted and carried out', async () => {
    teacher('library@studio.example');
    const page = await open(browser, { acceptDownloads: true });
    await signIn(page, 'library@studio.example');
    await page.getByRole('link', { name: 'Library' }).click();
    await check(page);
    for (const part of ['drills', 'tests', 'schools', 'cautions', 'own', 'tests/soles-together']) {
        await page.goto(`${base}/library/${part}`);
        await check(page);
    }

    await page.goto(`${base}/library`);
    await page.getByLabel('Search postures').fill('pigoen');
    await page.keyboard.press('Enter');
    await page.getByRole('link', { name: 'Pigeon', exact: true }).click();
    // Every rung and form has its figure, with what it shows in words.
    assert.ok((await page.locator('details.rung svg.figure[role="img"]').count()) >= 6);
    assert.match(await page.locator('svg.figure.size-card').first().getAttribute('aria-label'), /^Pigeon, .+: .+/);
    await check(page);

    // A condition holds rungs, and says which.
    await page.getByText('Choose known conditions').click();
    await page.getByLabel('Knee surgery').check();
    await page.getByRole('button', { name: 'Show' }).click();
    await page.waitForURL(/condition/);
    await says(page.locator('main'), /on hold: Knee surgery/);
    await check(page);

    await page.getByRole('link', { name: 'Adapt' }).click();
    await check(page);
    await page.locator('#entry_form_rungs_0_hold').fill('a while');
    await page.keyboard.press('Enter');
    await page.locator('#entry_form_rungs_0_hold_error1').waitFor();
    assert.equal(await page.evaluate(() => document.activeElement.id), 'entry_form_rungs_0_hold');
    await check(page);
    await page.locator('#entry_form_rungs_0_hold').fill('15 breaths');
    await page.keyboard.press('Enter');
    await page.getByText('Saved as version 1.').waitFor();
    await check(page);

    await page.goto(`${base}/library/own`);
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Download pigeon-adapted as YAML' }).click();
    assert.equal((await download).suggestedFilename(), 'pigeon-adapted.yaml');
});

test('what to teach is found by what it is for, and a safer form is one step away', async () => {
    teacher('teaching@studio.example');
    const page = await open(browser);
    await signIn(page, 'teaching@studio.example');
    await page.goto(`${base}/library`);
    await page.getByText('Filter by purpose').click();
    await page.getByLabel('Purpose').selectOption({ label: 'to protect the knee' });
    await page.getByLabel('With these props').selectOption({ label: 'blankets and a wall' });
    await page.getByRole('button', { name: 'Find' }).first().click();
    await page.waitForURL(/purpose=knee/);
    await check(page);
    await page.getByRole('link', { name: 'Pigeon', exact: true }).click();
    await page.getByText('Slanted shin, hip on a block').last().click();
    const rung = page.locator('#slanted');
    await rung.getByText('Block under the hip, not under the knee.').waitFor();
    await rung.getByText('If it is felt somewhere else').click();
    await rung.getByText('Stop. That side rests.').waitFor();
    await check(page);
    // The link leads to the rung, and opens it.
    await rung.getByRole('link', { name: 'Pigeon: lying on the side, foot free' }).click();
    await page.waitForFunction(() => document.getElementById('side-lying').open);
    await page.locator('#side-lying').getByText('Foot hangs free.').waitFor();
    await rung.getByRole('link', { name: 'Rock before settling' }).click();
    await page.waitForURL(/drills#rock-in/);
    await check(page);
});

test('the library fits a narrow tablet and paper', async () => {
    teacher('narrow@studio.example');
    const page = await open(browser, { viewport: { width: 600, height: 960 } });
    await signIn(page, 'narrow@studio.example');
    for (const path of ['/library', '/library/postures/leg-behind-head', '/library/own/posture/new']) {
        await page.goto(base + path);
        await check(page);
    }
    await page.goto(`${base}/library/postures/lotus`);
    await page.emulateMedia({ media: 'print' });
    assert.equal(await page.locator('header.bar').isVisible(), false);
    assert.ok(await page.locator('svg.figure').first().isVisible());
    // Printing opens every rung, and closes again what was closed.
    const rungs = await page.locator('details.rung').count();
    await counts(page.locator('details.rung[open]'), 1);
    await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
    assert.equal(await page.locator('details.rung[open]').count(), rungs);
    await page.evaluate(() => window.dispatchEvent(new Event('afterprint')));
    await counts(page.locator('details.rung[open]'), 1);
});
