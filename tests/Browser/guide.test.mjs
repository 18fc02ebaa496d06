import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { base, check, launch, open, signIn, teacher } from './browser.mjs';

let browser;
before(async () => {
    browser = await launch();
});
after(() => browser.close());

test('a teacher who is new finds the way, somebody to try it on, and the guide', async () => {
    teacher('new@studio.example');
    const page = await open(browser);
    await signIn(page, 'new@studio.example');
    await check(page);
    await page.getByRole('link', { name: 'Open the guide' }).click();
    await check(page);
    for (const name of ['body', 'test', 'reading', 'held', 'route', 'plan', 'session', 'time', 'words', 'keys']) {
        await page.goto(`${base}/guide/${name}`);
        await check(page);
    }
    await page.goto(base);
    await page.getByRole('button', { name: 'Try it with a made-up person' }).click();
    await page.getByRole('heading', { level: 1, name: /made up/ }).waitFor();
    await check(page);
    await page.getByRole('link', { name: 'Share', exact: true }).click();
    await check(page);
    for (const link of ['Report of today', 'Note for a clinician', 'Practitioner’s page', 'Import a table']) {
        const back = page.url();
        await page.getByRole('link', { name: link }).click();
        await check(page);
        await page.goto(back);
    }
    const [record] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('link', { name: 'Full record' }).click(),
    ]);
    assert.match(record.suggestedFilename(), /^record-[\d-]+\.json$/);
    await page.goto(`${base}/records/read`);
    await check(page);
    await page.getByLabel('Record (').setInputFiles(await record.path().then((path) => path));
    await page.getByRole('button', { name: 'Import' }).click();
    await page.getByText('Added: 0.').waitFor();
    await check(page);
    await page.goto(`${base}/sheets/recording`);
    await check(page);
});
