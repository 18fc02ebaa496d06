// Every page in a language that nobody speaks: what is still English there could not be translated, and what runs over
// the edge would do so in a language of longer words. At the size of a laptop, of a phone, and of a laptop at
// 200 %.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { base, launch, open, signIn, teacher } from './browser.mjs';

const EMAIL = 'pseudo@studio.example';
const SIZES = [
    { width: 1280, height: 800 },
    { width: 390, height: 844 },
    // The first at twice its size.
    { width: 640, height: 400 },
];
// So many pages of a kind: those of one posture are made as those of another.
const OF_A_KIND = 2;
// What is the same in every language, or was typed by somebody: names, units, addresses, formats, formulas.
const NOT_TEXT = ['code', 'pre', 'kbd', 'q', 'blockquote', 'svg', 'script', 'style', 'textarea', '[name*="zone"]'];
const NAMES =
    'made Lucid Ascent Maren Tolvik Teacher Ilka Brandvold Hips Oslo YAML JSON Chrome Linux Roaas Andersson Soucie';
const SAME = new RegExp(`^(${NAMES.split(' ').join('|')})$`);
// Names of days and months come from the tables of ICU, which knows no pseudo-language.
const DAYS = /^(Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec|Mon|Tue|Wed|Thu|Fri|Sat|Sun)[a-z]*$/;

let browser;
before(async () => {
    browser = await launch();
});
after(() => browser.close());

const kindOf = (path) =>
    path
        .replace(/[0-9a-f]{8}-[0-9a-f-]{27}/g, 'ID')
        .replace(/\/(poses|ladder|walk|postures|tests|bench|guide)\/[a-z-]+/g, '/$1/X')
        .replace(/X\/[a-z-]+\/picture\/[a-z]+/, 'X/Y/picture')
        .replace(/\d+-\d+/g, 'N')
        .replace(/\?.*/, '?');

/** Words of a page that no translator would have seen. */
const english = (page) =>
    page.evaluate((not) => {
        const found = [];
        const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
        for (let node = walker.nextNode(); node; node = walker.nextNode()) {
            if (!node.parentElement.closest(not.join(','))) {
                found.push(
                    ...(node.textContent.match(/(?<![\p{L}\d@./-])[A-Za-z]*[aeiou][A-Za-z]*(?![\p{L}\d@/-])/gu) ?? []),
                );
            }
        }
        for (const one of document.querySelectorAll('[aria-label], [title], [placeholder]')) {
            if (!one.closest('svg')) {
                for (const name of ['aria-label', 'title', 'placeholder']) {
                    found.push(
                        ...((one.getAttribute(name) ?? '').match(
                            /(?<![\p{L}\d])[A-Za-z]*[aeiou][A-Za-z]*(?![\p{L}\d])/gu,
                        ) ?? []),
                    );
                }
            }
        }
        return [...new Set(found.filter((word) => word.length > 3))];
    }, NOT_TEXT);

test('every page can be translated, and no layout breaks on longer words', async () => {
    const page = await open(browser);
    teacher(EMAIL);
    await signIn(page, EMAIL);
    await page.locator('form[action$="/guide/try"] button').click();
    await page.waitForURL(/practitioners/);
    await page.goto(`${base}/account`);
    await page.locator('#language_form_locale').selectOption('en_XA');
    await page.locator('form[name="language_form"] button').click();
    await page.locator('html[lang="en-XA"]').waitFor();

    const seen = new Map();
    const waiting = ['/', '/classes', '/classes/new'];
    const faults = [];
    while (waiting.length > 0) {
        const path = waiting.shift();
        const kind = kindOf(path);
        if ((seen.get(kind) ?? 0) >= OF_A_KIND || seen.has(`at ${path}`)) {
            continue;
        }
        seen.set(kind, (seen.get(kind) ?? 0) + 1);
        seen.set(`at ${path}`, 0);
        await page.setViewportSize(SIZES[0]);
        const response = await page.goto(base + path);
        if (!/html/.test(response.headers()['content-type'] ?? '')) {
            continue;
        }
        assert.equal(response.status(), 200, path);
        const words = (await english(page)).filter((word) => !SAME.test(word) && !DAYS.test(word));
        if (words.length > 0) {
            faults.push(`${path}: ${words.slice(0, 12).join(' ')}`);
        }
        // Whoever hears the page goes by its headings: one that names it, and none that skips a level.
        const levels = await page.$$eval('h1, h2, h3, h4, h5', (all) =>
            all.filter((one) => one.offsetParent !== null).map((one) => Number(one.tagName[1])),
        );
        if (
            levels.filter((level) => level === 1).length !== 1 ||
            levels.some((level, i) => i > 0 && level > levels[i - 1] + 1)
        ) {
            faults.push(`${path} has headings of levels ${levels.join(' ')}`);
        }
        for (const size of SIZES) {
            await page.setViewportSize(size);
            const over = await page.evaluate(
                () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
            );
            if (over > 0) {
                faults.push(`${path} is ${over} px too wide at ${size.width}`);
            }
        }
        for (const href of await page.$$eval('a[href^="/"]:not([download])', (all) =>
            all.map((one) => one.getAttribute('href')),
        )) {
            if (!/\.(json|zip|ics|csv|yaml|svg|pdf)|\/export|sign-out|\/pictures\/|adapt=/.test(href)) {
                waiting.push(href.replace(/#.*/, ''));
            }
        }
    }
    assert.deepEqual(faults, []);
    assert.ok(seen.size > 80, `${seen.size} pages were seen`);
});
