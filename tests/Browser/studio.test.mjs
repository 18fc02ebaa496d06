// A studio of several: who is asked to come, what each sees, and how they prove who they are.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { base, check, launch, measured, open, password, says, signIn, teacher } from './browser.mjs';

let browser;
let page;
let home;
before(async () => {
    browser = await launch();
    teacher('studio@studio.example');
    page = await open(browser);
    await signIn(page, 'studio@studio.example');
    home = await measured(page, 'Somebody shared');
});
after(() => browser.close());

/** On a phone's width and on a desk's. */
const everywhere = async (one) => {
    await check(one);
    await one.setViewportSize({ width: 390, height: 844 });
    await check(one);
    await one.setViewportSize({ width: 1280, height: 800 });
};

/** Somebody who has joined by a link, in a browser of their own. */
const joined = async (name, role) => {
    await page.goto(`${base}/studio`);
    await page.getByLabel('Name', { exact: true }).fill(name);
    await page.getByLabel('E-mail address').fill(`${role.toLowerCase()}-of@studio.example`);
    await page.locator('#invite_form_role').selectOption({ label: role });
    await page.getByRole('button', { name: 'Make a link' }).click();
    const link = await page.locator('.link-once').innerText();
    await everywhere(page);
    const other = await open(browser);
    await other.goto(link);
    await everywhere(other);
    await other.getByLabel('New password', { exact: true }).fill(password);
    await other.getByLabel('New password again').fill(password);
    await other.keyboard.press('Enter');
    await other.waitForURL(`${base}/`);
    return other;
};

const share = async (name, last = '') => {
    await page.goto(`${home}/sharing`);
    await page.getByLabel('With whom').selectOption({ label: name });
    await page.getByLabel('Last day').fill(last);
    await page.getByLabel(/has agreed to this/).check();
    await page.getByRole('button', { name: 'Share', exact: true }).click();
    await says(page.locator('[role=status]'), /Shared/);
};

test('an assistant joins by a link, measures and logs, and finds nothing that is not theirs', async () => {
    const assistant = await joined('Anni Hjelm', 'Assistant');
    await says(assistant.locator('main'), /No record is shared with you/);
    await everywhere(assistant);
    await share('Anni Hjelm (Assistant)');
    await everywhere(page);
    await assistant.goto(home);
    await everywhere(assistant);
    await assistant.getByRole('link', { name: 'Measure', exact: true }).click();
    await assistant.waitForURL(/tests\/soles-together$/);
    await everywhere(assistant);
    await assistant.goto(`${home}/journal`);
    await says(assistant.locator('h1'), /not accepted/);
    assistant.faults.length = 0;

    // What is ended is over in the tab that lies open.
    await page.getByRole('button', { name: /End sharing with Anni/ }).click();
    await assistant.goto(home);
    await says(assistant.locator('h1'), /Page not found/);
});

test('a reader reads one record until a day', async () => {
    const reader = await joined('Ragna Ek', 'Reader');
    await share('Ragna Ek (Reader)', new Date(Date.now() + 5 * 86_400_000).toISOString().slice(0, 10));
    await reader.goto(base);
    await everywhere(reader);
    await reader.getByRole('link', { name: 'Somebody shared' }).click();
    await everywhere(reader);
    await reader.getByRole('link', { name: 'History' }).click();
    await everywhere(reader);
    assert.equal(await reader.locator('main form[method=post]').count(), 0);
});

test('people are handed over, by keyboard, and whoever leaves is out in the tab that lies open', async () => {
    const second = await joined('Tora Vik', 'Teacher');
    await page.goto(`${base}/studio`);
    await page.locator('.of-teacher summary').first().focus();
    await page.keyboard.press('Enter');
    await page.getByLabel('Somebody shared').focus();
    await page.keyboard.press('Space');
    await page.getByLabel('New teacher', { exact: true }).selectOption({ label: 'Tora Vik' });
    await everywhere(page);
    await page.getByRole('button', { name: 'Hand over' }).click();
    await says(page.locator('[role=status]'), /One person is with Tora Vik now/);
    await second.goto(home);
    await says(second.locator('h1'), /Somebody shared/);

    await page.locator('.members > li', { hasText: 'Tora Vik' }).locator('summary').click();
    const form = page.locator('.members > li', { hasText: 'Tora Vik' }).locator('form');
    await form.getByLabel('Role').selectOption({ label: 'Leaves the studio' });
    await form.getByLabel('New teacher of their people').selectOption({ label: 'A Teacher' });
    await form.getByRole('button', { name: 'Save' }).click();
    await says(page.locator('[role=status]'), /counts from now on/);
    await everywhere(page);
    await second.getByRole('link', { name: 'Progress' }).click();
    await second.waitForURL(/sign-in/);
    await page.goto(home);
    await says(page.locator('h1'), /Somebody shared/);
});

test('a passkey of this device signs in, and nothing else of it does', async () => {
    // Passkeys are of names; an address of numbers has none.
    const named = base.replace('127.0.0.1', 'localhost');
    teacher('passkey@studio.example');
    const one = await open(browser);
    const cdp = await one.context().newCDPSession(one);
    await cdp.send('WebAuthn.enable');
    const { authenticatorId } = await cdp.send('WebAuthn.addVirtualAuthenticator', {
        options: {
            protocol: 'ctap2',
            transport: 'internal',
            hasResidentKey: true,
            hasUserVerification: true,
            isUserVerified: true,
            automaticPresenceSimulation: true,
        },
    });
    const enter = async () => {
        await one.goto(`${named}/sign-in`);
        await one.fill('#email', 'passkey@studio.example');
        await one.fill('#password', password);
    };
    await enter();
    await one.keyboard.press('Enter');
    await one.waitForURL(`${named}/`);
    await one.goto(`${named}/account/second-factor`);
    await everywhere(one);
    await one.getByLabel('Which device').fill('This one');
    await one.getByRole('button', { name: 'Add a passkey' }).click();
    await says(one.locator('[role=status]'), /needed from the next sign-in/);
    await everywhere(one);
    await one.context().clearCookies();

    await enter();
    await one.keyboard.press('Enter');
    await says(one.locator('#sign-in-error'), /./);
    one.faults.length = 0;
    await enter();
    await everywhere(one);
    await enter();
    await one.getByRole('button', { name: 'Use a passkey' }).click();
    await one.waitForURL(`${named}/`);
    await one.context().clearCookies();

    // The device that does not confirm, says so and loses nothing that was typed.
    await cdp.send('WebAuthn.removeVirtualAuthenticator', { authenticatorId });
    await enter();
    await one.evaluate(() => {
        navigator.credentials.get = () => Promise.reject(new Error('nobody there'));
    });
    await one.getByRole('button', { name: 'Use a passkey' }).click();
    await says(one.locator('[data-passkey-fault]'), /did not confirm/);
    assert.equal(await one.inputValue('#email'), 'passkey@studio.example');
});
