import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { accessible, base, check, counts, launch, measured, open, signIn, teacher } from './browser.mjs';

const PHONE = { viewport: { width: 390, height: 844 }, isMobile: true, hasTouch: true };
const PIN = '246810';
let browser;
let room;
let home;
const planned = async (name) => {
    const address = await measured(room, name);
    await room.goto(`${address}/plans/new`);
    await room.getByLabel('Weeks', { exact: true }).fill('2');
    // Whatever day it is, something is planned for it.
    const today = new Date().toLocaleDateString('en', { weekday: 'long', timeZone: 'UTC' });
    await room.getByRole('group', { name: 'Days', exact: true }).getByLabel(today).check();
    await room.getByRole('button', { name: 'Make plan' }).click();
    await room.waitForURL(/plans\/[0-9a-f-]{36}$/);
    return address;
};
before(async () => {
    browser = await launch();
    teacher('own@studio.example');
    room = await open(browser);
    await signIn(room, 'own@studio.example');
    home = await planned('Somebody At Home');
});
after(() => browser.close());

// What the teacher hands over: the address as it is in the picture, with its words behind the #.
const handOver = async () => {
    await room.goto(`${home}/own`);
    await room.locator('input[value="open"] + button').click();
    await room.locator('[data-qr] svg').waitFor();
    await check(room);
    return (await room.locator('[data-address]').innerText()).trim();
};
const comeIn = async (phone, address) => {
    const asked = [];
    phone.on('request', (request) => asked.push(request.url() + (request.headers().referer ?? '')));
    await phone.goto(address);
    await check(phone);
    assert.equal(new URL(phone.url()).hash, '', 'The words are gone from the address.');
    await phone.getByLabel('Choose a PIN').fill(PIN);
    await phone.getByLabel('PIN again').fill(PIN);
    await phone.getByRole('button', { name: 'Open' }).click();
    await phone.getByRole('heading', { name: 'At Home' }).waitFor();
    const word = new URL(address).hash.slice(1);
    assert.ok(
        asked.every((url) => !url.includes(word)),
        'They were in no address that was asked for.',
    );
};
const begin = async (phone) => {
    await phone.getByRole('link', { name: 'Start session' }).click();
    await phone.locator('#now-level').selectOption('0');
    await phone.getByRole('button', { name: 'Start session' }).click();
};
const onward = async (phone) => {
    if (await phone.locator('[data-measured]').isVisible()) {
        await phone.locator('[data-measured]').click();
    }
    if (await phone.locator('[data-question]').isVisible()) {
        await phone.locator('[data-yes]').click();
    } else {
        await phone.getByRole('button', { name: 'Skip' }).click();
    }
};
const toEnd = async (phone) => {
    for (let i = 0; i < 60 && (await phone.locator('[data-run]').isVisible()); i += 1) {
        await onward(phone);
    }
    await phone.locator('#last-level').selectOption('0');
    await phone.getByRole('button', { name: 'Save session' }).click();
};
const keptWeek = (phone) => phone.getByText('This week is saved on this phone').waitFor();
const shellIsReady = (phone) =>
    phone.evaluate(async () => {
        await navigator.serviceWorker.ready;
        for (let i = 0; i < 50 && !navigator.serviceWorker.controller; i += 1) {
            await new Promise((resolve) => setTimeout(resolve, 100));
        }
    });

// A phone whose week is kept, and whose network is gone.
const withoutNetwork = async () => {
    const phone = await open(browser, PHONE);
    await comeIn(phone, await handOver());
    await keptWeek(phone);
    await shellIsReady(phone);
    await phone.context().setOffline(true);
    await phone.goto(`${base}/own`);
    await phone.getByText('No connection. This is the plan').waitFor();
    return phone;
};

test('a practitioner comes in by the words and practises at home, and the teacher sees it', async () => {
    const phone = await open(browser, PHONE);
    await comeIn(phone, await handOver());
    await check(phone);
    await begin(phone);
    await toEnd(phone);
    await phone.getByText('Your session is saved').waitFor();
    await phone.goto(`${base}/own/hurts`);
    await check(phone);
    await room.goto(`${home}/own`);
    await room.getByLabel('Soles together: allowed').check();
    await Promise.all([room.waitForEvent('load'), room.getByRole('button', { name: 'Save' }).click()]);
    await phone.goto(`${base}/own`);
    await check(phone);
    await phone.getByRole('link', { name: 'Soles together' }).click();
    await check(phone);
    for (const field of await phone.locator('input.figure').all()) {
        await field.fill('15');
    }
    for (const level of await phone.locator('select[id^="pain-"]').all()) {
        await level.selectOption('0');
    }
    await phone.getByRole('button', { name: 'Save numbers' }).click();
    await phone.getByText('numbers are saved').waitFor();
    await phone.getByLabel('What went well').fill('It went well, but slowly.');
    await phone.getByRole('button', { name: 'Send to your teacher' }).click();
    await phone.getByText('Your teacher sees it').waitFor();
    await room.goto(base);
    await room.locator('[data-came-in]').getByRole('link').click();
    await check(room);
    await room.getByText('It went well, but slowly.').waitFor();
    await room.getByText('Measured at home').waitFor();
    await room.getByRole('button', { name: 'Mark as read' }).click();
    await room.waitForURL(`${base}/`);
    assert.equal(await room.locator('[data-came-in]').count(), 0);
    assert.deepEqual(phone.faults, []);
});

test('another device finds the words used up, and the first is shut in the middle of a session', async () => {
    const phone = await open(browser, PHONE);
    const address = await handOver();
    await comeIn(phone, address);
    const other = await open(browser, PHONE);
    await other.goto(address);
    await other.getByLabel('Choose a PIN').fill(PIN);
    await other.getByLabel('PIN again').fill(PIN);
    await other.getByRole('button', { name: 'Open' }).click();
    await other.getByText('used on another device').waitFor();
    await check(other);
    await begin(phone);
    await room.goto(`${home}/own`);
    await room.getByRole('button', { name: 'Close it now' }).click();
    await toEnd(phone);
    // The log stays on the phone, and nobody takes it for anybody's.
    await phone.getByText('Saved on this device').waitFor();
    await phone.goto(`${base}/own`);
    await phone.getByLabel('Four words').waitFor();
    assert.equal(
        await phone.evaluate(() => localStorage.getItem('own-week')),
        null,
        'What was kept of the week is gone.',
    );
    await room.goto(base);
    assert.equal(await room.locator('[data-came-in]').count(), 0);
});

test('a whole session without a network is sent once there is one', async () => {
    const phone = await open(browser, PHONE);
    await comeIn(phone, await handOver());
    await keptWeek(phone);
    await shellIsReady(phone);
    const kept = await phone.evaluate(() => localStorage.getItem('own-week'));
    assert.ok(kept && !kept.includes('Somebody'), 'What is kept is unreadable.');
    await phone.context().setOffline(true);
    // As when the telephone is taken up on another day: nothing is in memory any more.
    await phone.evaluate(() => sessionStorage.clear());
    await phone.goto(`${base}/own`);
    await phone.getByLabel('Your PIN').fill('1111');
    await phone.getByRole('button', { name: 'Open' }).click();
    await phone.getByText('does not open the page').waitFor();
    await phone.getByLabel('Your PIN').fill(PIN);
    await phone.getByRole('button', { name: 'Open' }).click();
    await phone.getByText('No connection. This is the plan').waitFor();
    await accessible(phone);
    await begin(phone);
    await toEnd(phone);
    await phone.getByText('Saved on this device. It is sent').waitFor();
    await phone.context().setOffline(false);
    await phone.getByText('Your session is saved').waitFor();
    await room.goto(base);
    await room.locator('[data-came-in]').getByRole('link').click();
    await counts(room.getByRole('heading', { name: 'Sessions' }), 1);
    await counts(room.locator('main li').filter({ hasText: /\d items?$/ }), 1);
    await room.getByRole('button', { name: 'Mark as read' }).click();
});

test('what hurts without a network holds on the phone, and for everybody once it is sent', async () => {
    const phone = await withoutNetwork();
    await phone.getByRole('link', { name: 'It hurts' }).click();
    await phone.getByLabel('Which side').selectOption('left');
    await phone.getByLabel('Where').selectOption('knee');
    await phone.getByLabel('How strong').selectOption('3');
    await phone.getByRole('button', { name: 'Save' }).click();
    await phone.getByText('saved on this phone and sent').waitFor();
    assert.equal(await phone.getByRole('link', { name: 'Start session' }).count(), 0);
    // Opened anew, still without a network: it holds.
    await phone.goto(`${base}/own`);
    await phone.getByText('saved on this phone and sent').waitFor();
    assert.equal(await phone.getByRole('link', { name: 'Start session' }).count(), 0);
    await phone.context().setOffline(false);
    await phone.getByText('Resting for now').first().waitFor();
    await room.goto(base);
    await room.locator('[data-came-in].caution').waitFor();
    await room.goto(home);
    await room.locator('.note.caution').first().waitFor();
});

test('what hurts in a session holds though the session is never brought to its end', async () => {
    home = await planned('Another At Home');
    const phone = await withoutNetwork();
    await begin(phone);
    await phone.getByRole('button', { name: 'Stop: it hurts' }).click();
    await phone.locator('#hurt-level').selectOption('4');
    await phone.locator('#hurt-where').selectOption('knee');
    await phone.locator('#hurt-side').selectOption('left');
    await phone.locator('[data-hurt-done]').click();
    await phone.locator('[data-allowed]').waitFor();
    // The page is closed in the middle, and opened again.
    await phone.goto(`${base}/own`);
    await phone.getByText('saved on this phone and sent').waitFor();
    assert.equal(await phone.getByRole('link', { name: 'Start session' }).count(), 0);
    await phone.context().setOffline(false);
    await phone.getByText('Resting for now').first().waitFor();
    await room.goto(home);
    await room.getByText('Pain in or around a knee').first().waitFor();
});

test('asked from home and answered, entered from elsewhere, and tried in two ways', async () => {
    // Somebody whom nothing hurts: what others have told before holds pieces of their sessions.
    home = await planned('Another At Home');
    const phone = await open(browser, PHONE);
    await comeIn(phone, await handOver());
    await phone.getByRole('link', { name: 'Ask your teacher' }).click();
    await phone.getByRole('button', { name: 'Send to your teacher' }).click();
    await phone.getByText('Write your question.').waitFor();
    await phone.getByLabel('Your question').fill('How far from the wall?');
    await phone.getByLabel('About which posture').selectOption({ index: 1 });
    await check(phone);
    await phone.getByRole('button', { name: 'Send to your teacher' }).click();
    await phone.getByRole('heading', { name: 'At Home' }).waitFor();

    await room.goto(`${home}/questions`);
    await room.getByText('How far from the wall?').waitFor();
    await room.getByRole('button', { name: 'Send answer' }).click();
    await room.getByText('Write an answer, choose a posture, or set a mark.').waitFor();
    await room.getByLabel('Your answer').first().fill('Until the seat is heavy.');
    await room.getByLabel('Show a posture').first().selectOption({ index: 1 });
    await check(room);
    await room.getByRole('button', { name: 'Send answer' }).press('Enter');
    await room.getByText('The practitioner sees it on their page.').waitFor();
    await phone.goto(`${base}/own`);
    await phone.getByText('Until the seat is heavy.').waitFor();
    await phone.locator('.own-answer svg').waitFor();
    await check(phone);

    await phone.getByRole('link', { name: 'Add other activity' }).click();
    await phone.getByLabel('What was it?').selectOption('running');
    await phone.getByLabel('Minutes').fill('1800');
    await phone.getByRole('button', { name: 'Save' }).click();
    await phone.getByText('Enter 1 to 600 minutes.').waitFor();
    await phone.getByLabel('Minutes').fill('30');
    await check(phone);
    await phone.getByRole('button', { name: 'Save' }).click();
    await phone.getByRole('heading', { name: 'At Home' }).waitFor();

    // Whose turn it is stands in the session, on the side and rung that it is about.
    await phone.getByRole('link', { name: 'Start session' }).first().click();
    const items = JSON.parse(await phone.locator('[data-session]').getAttribute('data-session'));
    const { posture, rung, side } = items.find(
        (item) => ['left', 'right'].includes(item.side) && !item.drill && item.phase === 'work',
    );
    await room.goto(`${home}/ways`);
    await room.getByLabel('Rung').selectOption(`${posture}/${rung}`);
    await room.getByLabel('Side').selectOption(side);
    await room.getByLabel('First way').fill('low seat');
    await room.getByLabel('Second way').fill('Low seat ');
    await room.getByLabel('What you measure').fill('Knee height, cm');
    await room.getByRole('button', { name: 'Start' }).press('Enter');
    await room.getByText('The two ways are the same.').waitFor();
    await room.getByLabel('Second way').fill('high seat');
    await room.getByRole('button', { name: 'Start' }).press('Enter');
    await room.getByRole('link', { name: 'Enter a number' }).waitFor();
    await check(room);
    await phone.reload();
    await phone.locator('#now-level').selectOption('0');
    await phone.getByRole('button', { name: 'Start session' }).click();
    const said = phone.getByText('Today: low seat.').first();
    for (let i = 0; i < 30 && !(await said.isVisible()); i += 1) {
        await onward(phone);
    }
    await said.waitFor();
    await room.getByRole('link', { name: 'Enter a number' }).click();
    await room.getByLabel('Knee height, cm').fill('21,5');
    await check(room);
    await room.getByRole('button', { name: 'Save' }).press('Enter');
    await room.getByText('Next: high seat. 9 sessions are left.').waitFor();
});
