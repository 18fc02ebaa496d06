// Four browsers of one teacher at the same moment: one record, and a plain answer for the others.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { base, launch, noPain, open, person, signIn, teacher } from './browser.mjs';

let browser;
let pages;
let home;
before(async () => {
    browser = await launch();
    teacher('four@studio.example');
    pages = [];
    for (let i = 0; i < 4; i += 1) {
        const page = await open(browser);
        await signIn(page, 'four@studio.example');
        pages.push(page);
    }
    home = await person(pages[0], 'Four Windows', '170');
    await pages[0].goto(`${base}/screen?people[]=${home.split('/').pop()}`);
    await pages[0].getByLabel(/Agrees to be measured/).check();
    await pages[0].getByLabel('Soles together, left knee').fill('9');
    await pages[0].getByLabel('Groin to heels').fill('12');
    await pages[0].getByLabel('Soles together, right knee').fill('9');
    await noPain(pages[0]);
    await pages[0].getByRole('button', { name: /Save and next/ }).click();
    await pages[0].waitForURL(/done/);
});
after(() => browser.close());

/** Sends a form of each page, all at once; answers status, address and text of each. */
const atOnce = (selector) =>
    Promise.all(
        pages.map((page) =>
            page.evaluate(async (of) => {
                const form = document.querySelector(of);
                const response = await fetch(form.action, {
                    method: 'POST',
                    body: new URLSearchParams(new FormData(form)),
                });
                return { status: response.status, url: response.url, text: await response.text() };
            }, selector),
        ),
    );
const everywhere = (address) => Promise.all(pages.map((page) => page.goto(address)));
const noFault = (answers) =>
    assert.ok(
        answers.every(({ status }) => status < 500),
        JSON.stringify(answers.map(({ status }) => status)),
    );

test('one decision on a check', async () => {
    await pages[0].goto(`${home}/ladder/half-lotus/check/left`);
    await pages[0].getByLabel('Yes').first().check();
    await pages[0].getByLabel('Yes').nth(1).check();
    await noPain(pages[0]);
    await pages[0].getByRole('button', { name: 'Save and see what comes next' }).click();
    await pages[0].waitForURL(/checks\/[0-9a-f-]{36}$/);
    await everywhere(pages[0].url());
    const answers = await atOnce('main form');
    noFault(answers);
    assert.equal(answers.filter(({ text }) => text.includes('The decision is saved.')).length, 1);
    assert.equal(answers.filter(({ text }) => text.includes('exists already')).length, 3);
});

test('one plan anew, and one address of the calendar', async () => {
    await pages[0].goto(`${home}/plans/new`);
    await pages[0].getByLabel('Weeks', { exact: true }).fill('2');
    await pages[0].getByRole('button', { name: 'Make plan' }).click();
    await pages[0].waitForURL(/plans\/[0-9a-f-]{36}$/);
    await everywhere(pages[0].url());
    const planned = await atOnce('form[action$="/again"]');
    noFault(planned);
    assert.equal(planned.filter(({ text }) => text.includes('Replanned from today')).length, 1);
    assert.equal(
        new Set(planned.map(({ url }) => new URL(url).pathname)).size,
        1,
        'All are shown the one that there is.',
    );

    const opened = await atOnce('form[action$="/feed"]');
    noFault(opened);
    const addresses = opened
        .map(({ text }) => /http:\/\/[^ ]+\/feed\/[0-9a-f]{48}\.ics/.exec(text)?.[0])
        .filter(Boolean);
    assert.ok(addresses.length >= 1);
    const alive = await Promise.all(addresses.map(async (address) => (await fetch(address)).status));
    assert.equal(alive.filter((status) => status === 200).length, 1, `one address is alive of ${addresses.length}`);
});

test('a form that is sent again with other numbers says that they were not recorded', async () => {
    await pages[0].goto(`${home}/body`);
    const answers = await pages[0].evaluate(async () => {
        const form = document.querySelector('main form');
        const send = async (stature) => {
            const body = new URLSearchParams(new FormData(form));
            body.set('body[stature]', stature);
            return (await fetch(form.action, { method: 'POST', body })).text();
        };
        return [await send('171'), await send('180')];
    });
    assert.match(answers[0], /The measurements are saved/);
    assert.match(answers[1], /stays as it was/);
});

test('eight tries of a password at once are not more than five', async () => {
    const context = await browser.newContext();
    const page = await context.newPage();
    await page.goto(`${base}/sign-in`);
    const answers = await page.evaluate(async () => {
        const form = document.querySelector('main form');
        const fields = [...new FormData(form)].filter(([name]) => !['email', 'password'].includes(name));
        const one = async (i) => {
            const body = new URLSearchParams([
                ...fields,
                ['email', 'nobody-at-all@studio.example'],
                ['password', `wrong ${i}`],
            ]);
            return (await fetch(form.action, { method: 'POST', body })).text();
        };
        return Promise.all([...Array(8).keys()].map(one));
    });
    assert.equal(answers.filter((text) => text.includes('E-mail, password or code is wrong')).length, 5);
    assert.equal(answers.filter((text) => text.includes('Too many')).length, 3);
});
