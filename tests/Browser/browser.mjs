// A headless Chromium on the served pages, and the checks that every page has to pass.
import assert from 'node:assert/strict';
import { execFileSync, execSync } from 'node:child_process';
import AxeBuilder from '@axe-core/playwright';
import { HtmlValidate } from 'html-validate';
import { chromium } from 'playwright-core';

export const base = process.env.BASE_URL;
export const password = 'a long enough password';

const executablePath = execSync('command -v chromium').toString().trim();
const args = [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
];

export const launch = () => chromium.launch({ executablePath, args });

/** A page that fails the test on any script error and on any refused or missing file. */
export const open = async (browser, options = {}) => {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, ...options });
    // What comes is waited for, on a busy machine as well; what does not come fails the test all the same.
    context.setDefaultTimeout(60_000);
    const page = await context.newPage();
    page.faults = [];
    page.on('pageerror', (error) => page.faults.push(error.message));
    // A form that comes back with its faults is answered with 422, which the browser logs as an error.
    const expected = /status of 422/;
    page.on('console', (message) => {
        if (message.type() === 'error' && !expected.test(message.text())) {
            page.faults.push(message.text());
        }
    });
    return page;
};

export const teacher = (email) =>
    execFileSync('php', ['bin/console', 'ascent:teacher', email, 'A Teacher'], { input: `${password}\n` });

export const signIn = async (page, email) => {
    await page.goto(`${base}/sign-in`);
    await page.fill('#email', email);
    await page.fill('#password', password);
    await page.keyboard.press('Enter');
    await page.waitForURL(`${base}/`);
};

/** Somebody new, of whom the stature is known; answers the address of the person's page. */
export const person = async (page, name, stature) => {
    await page.goto(`${base}/practitioners/new`);
    await page.getByLabel('Name').fill(name);
    await page.getByLabel(/Agrees to be measured/).check();
    await page.getByRole('button', { name: 'Continue to the body' }).click();
    await page.getByLabel('Stature').fill(stature);
    await page.getByRole('button', { name: 'Save measurements' }).click();
    await page.waitForURL(/soles-together$/);
    return page.url().replace('/tests/soles-together', '');
};

/** The answer on both sides of a form that asks about pain: none. */
export const noPain = async (page) => {
    for (const level of await page.locator('form select[id$="_level"]').all()) {
        await level.selectOption('0');
    }
};

const validator = new HtmlValidate({
    extends: ['html-validate:recommended'],
    // The templates are not written for these two matters of style; the rest is held to.
    rules: {
        'no-trailing-whitespace': 'off',
        'attribute-boolean-style': 'off',
        'void-style': 'off',
        'long-title': 'off',
        'prefer-native-element': 'off',
        'form-dup-name': 'off',
    },
});

const AXE = {
    runOnly: { type: 'tag', values: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'] },
    resultTypes: ['violations'],
};

/** Accessibility alone: of what is there without a network as well. */
export const accessible = async (page) => {
    const where = new URL(page.url()).pathname;
    // Colours are judged where they have arrived, not on their way there.
    await page.evaluate(() =>
        Promise.all(document.getAnimations().map((animation) => animation.finished.catch(() => {}))),
    );
    // In the page itself, which has no frames, and of what passes no more than that it does: it takes a third of the
    // time.
    const axe = await new AxeBuilder({ page }).setLegacyMode().options(AXE).analyze();
    assert.deepEqual(
        axe.violations.map((violation) => `${violation.id}: ${violation.nodes.map((node) => node.html).join(' ')}`),
        [],
        `accessibility of ${where}`,
    );
};

/** Accessibility, markup, width, and no error but those that are known to come: what a test cut off itself. */
export const check = async (page, known = null) => {
    const where = new URL(page.url()).pathname;
    await accessible(page);
    const html = await page.evaluate(async (url) => (await fetch(url)).text(), page.url());
    const report = await validator.validateString(html);
    assert.deepEqual(
        report.results.flatMap((result) => result.messages.map((m) => `${m.line}: ${m.message}`)),
        [],
        `markup of ${where}`,
    );
    const overflow = await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    );
    assert.ok(overflow <= 0, `${where} is ${overflow} px too wide`);
    assert.deepEqual(
        page.faults.filter((fault) => !known?.test(fault)),
        [],
        `errors on ${where}`,
    );
};

/** Waits until something says this: a page that was just asked for may not be there whole yet. */
export const says = async (locator, pattern) => {
    try {
        await locator.filter({ hasText: pattern }).waitFor();
    } catch {
        // It says what it says instead; where upper case is a matter of style, what is shown counts.
        assert.match(await locator.innerText(), pattern);
    }
};

/** Waits until there are this many. */
export const counts = async (locator, number) => {
    await locator.nth(number - 1).waitFor({ state: 'attached' });
    assert.equal(await locator.count(), number);
};

/** Somebody of 170 cm, whose soles-together sitting was read; answers the address of their page. */
export const measured = async (page, name) => {
    const home = await person(page, name, '170');
    await page.goto(`${base}/screen?people[]=${home.split('/').pop()}`);
    await page.getByLabel(/Agrees to be measured/).check();
    await page.getByLabel('Soles together, left knee').fill('14');
    await page.getByLabel('Groin to heels').fill('20');
    await page.getByLabel('Soles together, right knee').fill('15');
    await noPain(page);
    await page.getByRole('button', { name: /Save and next/ }).click();
    await page.waitForURL(/done/);
    return home;
};
