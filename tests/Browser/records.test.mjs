// What leaves is read back by other libraries than those that wrote it: JSON Schema (ajv), RFC 4180 (csv-parse), zip
// (fflate), iCalendar (ical.js), SVG (the browser).
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { after, before, test } from 'node:test';
import Ajv2020 from 'ajv/dist/2020.js';
import { parse } from 'csv-parse/sync';
import { strFromU8, unzipSync } from 'fflate';
import ICAL from 'ical.js';
import { base, launch, measured, open, signIn, teacher } from './browser.mjs';

let browser;
let page;
let home;
before(async () => {
    browser = await launch();
    teacher('records@studio.example');
    page = await open(browser);
    await signIn(page, 'records@studio.example');
    home = await measured(page, 'Somebody "of" records, and more');
    await page.goto(`${home}/plans/new`);
    await page.getByLabel('Weeks', { exact: true }).fill('2');
    await page.getByRole('button', { name: 'Make plan' }).click();
    await page.waitForURL(/plans\/[0-9a-f-]{36}$/);
});
after(() => browser.close());

const download = async (format) => Buffer.from(await (await page.request.get(`${home}/record.${format}`)).body());
const schema = JSON.parse(readFileSync(new URL('../../docs/formats/record-1.schema.json', import.meta.url), 'utf8'));

test('a record is as its published schema says, and the schema is strict', async () => {
    const valid = new Ajv2020({ strict: true, strictTypes: false, allErrors: true }).compile(schema);
    const record = JSON.parse(await download('json'));
    assert.ok(valid(record), JSON.stringify(valid.errors));
    assert.equal(record.tests.length, 2);
    assert.equal(record.plans.length, 1);
    for (const spoil of [
        (r) => delete r.person.id,
        (r) => (r.version = 2),
        (r) => (r.tests[0].pain.level = 11),
        (r) => (r.tests[0].at = '2026-01-01'),
        (r) => (r.tests[0].more = 1),
        (r) => (r.more = []),
    ]) {
        const other = structuredClone(record);
        spoil(other);
        assert.ok(!valid(other), spoil.toString());
    }
});

test('the table is a table to others as well, with its units', async () => {
    const bytes = await download('csv');
    const rows = parse(bytes, { columns: true, record_delimiter: '\r\n' });
    assert.equal(rows.length, 2, 'One trial of each side.');
    assert.deepEqual(
        rows.map((row) => [row['test or posture'], row.side, row['kneeHeight (cm)'], row['pain level (0-10)']]),
        [
            ['soles-together', 'left', '14', '0'],
            ['soles-together', 'right', '15', '0'],
        ],
    );
});

test('the archive has all of it, each part readable', async () => {
    const files = unzipSync(new Uint8Array(await download('zip')));
    assert.deepEqual(JSON.parse(strFromU8(files['record.json'])).person, JSON.parse(await download('json')).person);
    assert.ok(files['readings-and-logs.csv'].length > 100);
    const calendar = new ICAL.Component(ICAL.parse(strFromU8(files['plan.ics'])));
    assert.ok(calendar.getAllSubcomponents('vevent').length >= 2);
    const figures = Object.keys(files).filter((name) => name.endsWith('.svg'));
    assert.ok(figures.length >= 1);
    for (const name of figures) {
        const root = await page.evaluate((svg) => {
            const parsed = new DOMParser().parseFromString(svg, 'image/svg+xml');
            return parsed.querySelector('parsererror') ? 'broken' : parsed.documentElement.localName;
        }, strFromU8(files[name]));
        assert.equal(root, 'svg', name);
    }
});

test('another teacher finds nothing of it', async () => {
    teacher('nosy@studio.example');
    const other = await open(browser);
    await signIn(other, 'nosy@studio.example');
    for (const path of ['/record.json', '/record.zip', '/hand-over', '/table', '/own', '/came-in', '/report']) {
        const response = await other.request.get(home + path);
        assert.equal(response.status(), 404, path);
    }
    assert.ok(home.startsWith(base));
});
