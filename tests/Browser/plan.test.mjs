import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { base, check, counts, launch, measured, open, person, signIn, teacher } from './browser.mjs';

let browser;
before(async () => {
    browser = await launch();
});
after(() => browser.close());

const planned = async (page, name) => {
    const home = await measured(page, name);
    await page.goto(`${home}/plans/new`);
    await page.getByLabel('Weeks', { exact: true }).fill('5');
    await page.getByLabel('Minutes per session').fill('60');
    await page.getByRole('button', { name: 'Make plan' }).click();
    await page.waitForURL(/plans\/[0-9a-f-]{36}$/);
    return page.url();
};
const middle = async (locator) => {
    await locator.scrollIntoViewIfNeeded();
    const { x, y, width, height } = await locator.boundingBox();
    return [x + width / 2, y + height / 2];
};
const drag = async (page, from, to) => {
    await to.scrollIntoViewIfNeeded();
    const [x, y] = await middle(from);
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + 20, y + 5);
    const [toX, toY] = await middle(to);
    await page.mouse.move(toX, toY, { steps: 4 });
    await page.mouse.up();
};

test('an item is dragged, refused where a rule forbids it, moved by keys, and taken back', async () => {
    teacher('weeks@studio.example');
    const page = await open(browser, { viewport: { width: 1280, height: 1200 } });
    await signIn(page, 'weeks@studio.example');
    const plan = await planned(page, 'Weeks Person');
    await check(page);
    const work = page.locator('[data-strip="0-0"] > .work');

    // Onto a day that has no practice.
    await drag(page, work.last(), page.locator('.week').first().locator('.day.free').first());
    await page.locator('[data-refused]').first().getByText('no session on that day').waitFor();
    assert.equal(page.url(), plan);

    // Before the warming up is over: a hard rule, named at once.
    await drag(page, work.first(), page.locator('[data-strip="0-0"] > .warm-up').first());
    await page.locator('[data-refused]').first().getByText('warm-up comes before').waitFor();
    assert.equal(page.url(), plan);
    page.faults.length = 0;

    // Its panel opens where it stands, and goes by keys.
    await work.first().locator('a').focus();
    await page.keyboard.press('Enter');
    await page.locator('[data-panel="0-0"] h5').waitFor();
    await check(page);
    await page.locator('[data-panel="0-0"]').getByRole('button', { name: 'Shorter' }).click();
    await page.waitForURL((url) => !url.href.startsWith(plan));
    const changed = page.url();
    await page.getByText('Changed by hand: shorter').waitFor();
    await check(page);
    await page.keyboard.press('Control+z');
    await page.waitForURL((url) => url.href !== changed);
    assert.equal(await page.getByText('Changed by hand').count(), 0);
    await page.getByRole('button', { name: 'Redo' }).click();
    await page.getByText('Changed by hand: shorter').waitFor();

    // From item to item by the arrows.
    await page.locator('[data-strip="0-0"] a').first().focus();
    await page.keyboard.press('ArrowRight');
    assert.ok(
        await page
            .locator('[data-strip="0-0"] a')
            .nth(1)
            .evaluate((link) => link === document.activeElement),
    );

    // On a phone one day stands after the other, each item in words.
    await page.setViewportSize({ width: 390, height: 800 });
    assert.ok(await page.locator('.strip-words').first().isVisible());
    assert.ok(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth));
    await check(page);
    await page.getByRole('link', { name: 'Print weeks' }).click();
    await page.waitForURL(/print$/);
    await page.waitForLoadState('load');
    await counts(page.locator('.wall-week'), 5);
    await check(page);
});

test('a plan changed in another window is not overwritten', async () => {
    teacher('twotabs@studio.example');
    const page = await open(browser);
    await signIn(page, 'twotabs@studio.example');
    const plan = await planned(page, 'Two Tabs');
    const other = await page.context().newPage();
    await other.goto(plan);
    for (const tab of [page, other]) {
        await tab.locator('[data-strip="0-0"] > .work a').first().click();
        await tab.locator('[data-panel="0-0"] h5').waitFor();
    }
    for (const tab of [page, other]) {
        await tab.locator('[data-panel="0-0"]').getByRole('button', { name: 'Lock' }).click();
        await tab.waitForURL((url) => !url.href.startsWith(plan));
    }
    await other.getByText('changed in another window').waitFor();
    assert.equal(other.url(), page.url());
});

test('a class of eight on one page', async () => {
    teacher('class@studio.example');
    const page = await open(browser);
    await signIn(page, 'class@studio.example');
    for (const i of [1, 2, 3, 4, 5, 6, 7]) {
        await person(page, `Class ${i}`, String(158 + 3 * i));
    }
    await measured(page, 'Class Measured');
    await page.goto(`${base}/classes`);
    await check(page);
    await page.getByRole('link', { name: 'New class' }).click();
    await page.getByRole('button', { name: 'Save class' }).click();
    await page.getByText('Choose at least one person').waitFor();
    await page.getByLabel('Name', { exact: true }).fill('Hips on Monday');
    for (const box of await page.getByRole('group', { name: 'Who is coming' }).getByRole('checkbox').all()) {
        await box.check();
    }
    // Picked from the wall, put in order by dragging and by keys, and given their time.
    await page.getByRole('checkbox', { name: 'Soles together', exact: true }).check();
    await page.getByRole('checkbox', { name: 'Pigeon', exact: true }).check();
    await page.getByLabel('Minutes for Pigeon').fill('8');
    await page.getByText('13 minutes in all').waitFor();
    await check(page);
    const order = () => page.locator('.sequence .words').allTextContents();
    const [x, y] = await middle(page.locator('.sequence .handle').last());
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x, y - 60, { steps: 6 });
    await page.mouse.up();
    assert.deepEqual(await order(), ['Pigeon', 'Soles together']);
    await page.getByRole('button', { name: 'Pigeon: later' }).press('Enter');
    assert.deepEqual(await order(), ['Soles together', 'Pigeon']);
    await page.getByRole('button', { name: 'Pigeon: earlier' }).press('Enter');
    await page.getByRole('button', { name: 'Save class' }).click();
    await page.getByRole('heading', { name: '1. Pigeon 8 min' }).waitFor();
    for (const posture of await page.locator('.class-posture').all()) {
        const said = await posture.innerText();
        for (const i of [1, 2, 3, 4, 5, 6, 7]) {
            assert.match(said, new RegExp(`Class ${i}`));
        }
    }
    await check(page);

    // Taught: one posture at a time, by keys, until the last.
    await page.getByRole('link', { name: 'Teach class' }).click();
    await page.getByText('Next: Soles together').waitFor();
    assert.equal(await page.locator('[data-piece]:visible').count(), 1);
    await page.getByRole('button', { name: 'Start' }).press('Enter');
    await page.getByText('7:59').waitFor();
    await page.getByRole('button', { name: 'Pause' }).press('Enter');
    // Pain that is said elsewhere meanwhile counts from the next posture on.
    const other = await page.context().newPage();
    await other.goto(page.url().replace('/teach', '/after'));
    const hurt = other.getByRole('group', { name: 'Class 3' });
    await hurt.getByText('Pain', { exact: true }).click();
    await hurt.getByLabel('Pain, 0 to 10').selectOption('3');
    await hurt.getByLabel('Where').selectOption('knee');
    await other.getByRole('button', { name: 'Save' }).click();
    await other.getByText('Saved in their records.').waitFor();
    await other.close();
    await page.getByRole('button', { name: 'Next' }).press('Enter');
    await page.getByText('Last posture').waitFor();
    await page.locator('[data-piece]:visible .class-barred', { hasText: 'Class 3: On hold' }).waitFor();
    assert.equal(await page.getByRole('status').last().textContent(), 'Soles together');
    assert.equal(await page.getByRole('button', { name: 'Next' }).isDisabled(), true);
    await check(page);

    // Afterwards: who came, and what hurt.
    await page.getByRole('link', { name: 'Pain, or class over' }).click();
    const measured8 = page.getByRole('group', { name: 'Class Measured' });
    await measured8.getByLabel('Came').check();
    await measured8.getByText('Pain', { exact: true }).press('Enter');
    await measured8.getByLabel('Pain, 0 to 10').selectOption('4');
    await measured8.getByLabel('Where').selectOption('knee');
    await measured8.getByLabel('Which side').selectOption('left');
    await check(page);
    await page.getByRole('button', { name: 'Save' }).click();
    await page.getByText('1 person came.').waitFor();
    assert.match(await page.locator('.class-barred').first().innerText(), /Class Measured/);

    // And on: a course of the same people, each day about something, and whose knee hurts does not do it.
    await page.getByRole('link', { name: 'Plan a course' }).press('Enter');
    await page.getByRole('button', { name: 'Save course' }).press('Enter');
    await page.getByText('Choose what the first day is about.').waitFor();
    await page.getByLabel('Day 1', { exact: true }).selectOption('Pigeon');
    await page.getByLabel('Day 2', { exact: true }).selectOption('Soles together');
    await check(page);
    await page.getByRole('button', { name: 'Save course' }).press('Enter');
    await page.getByRole('heading', { name: /: Soles together$/ }).waitFor();
    for (const day of await page.locator('.course-day').all()) {
        assert.match(await day.locator('li').last().innerText(), /^Not now\n.*Class 3.*Class Measured/);
    }
    await check(page);
});
