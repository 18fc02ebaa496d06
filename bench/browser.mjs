// What a browser makes of it: how soon a number typed shows its angles, what moves meanwhile, what is sent, and
// how soon something is there on a phone.
import { execSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { chromium } from 'playwright-core';
import { aim } from './aim.mjs';

const base = process.env.BASE_URL;
const assets = new URL('../public/assets/', import.meta.url).pathname;
const sent = (folder, end) =>
    readdirSync(join(assets, folder))
        .filter((name) => name.endsWith(end))
        .reduce((sum, name) => sum + gzipSync(readFileSync(join(assets, folder, name))).length, 0) / 1024;
aim('scripts, all of them, compressed, in kB', sent('js', '.js') + sent('texts', '.js') + sent('vendor', '.js'), {
    most: 60,
});
aim('styles, compressed, in kB', sent('.', '.css'), { most: 40 });

const browser = await chromium.launch({
    executablePath: execSync('command -v chromium').toString().trim(),
    args: ['--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run'],
});
const context = await browser.newContext({ viewport: { width: 390, height: 780 }, isMobile: true, hasTouch: true });
// Everything that moves by itself is counted, from the first line of each page on.
await context.addInitScript(() => {
    window.moved = 0;
    new PerformanceObserver((list) => {
        for (const entry of list.getEntries()) {
            window.moved += entry.hadRecentInput ? 0 : entry.value;
        }
    }).observe({ type: 'layout-shift', buffered: true });
});
const page = await context.newPage();
await page.goto(base + '/sign-in');
await page.fill('[name="email"]', 'demo@studio.example');
await page.fill('[name="password"]', process.env.DEMO_PASSWORD);
await page.click('button[type="submit"]');
const person = base + (await page.getAttribute('h2.person a', 'href'));

// Frames from the answer's arrival to its angles being there.
await page.goto(`${person}/tests/soles-together`);
const frames = [];
await page.locator('[id^="bench_trials_0_heelDistance"]').first().fill('20');
for (let i = 0; i < 12; i += 1) {
    const field = page.locator('#bench_trials_0_kneeHeight_left');
    const shown = page.evaluate(
        () =>
            new Promise((resolve) => {
                const out = document.querySelector('[data-shows="left"]');
                const before = out.textContent;
                let answered = null;
                let frame = 0;
                const own = window.fetch;
                window.fetch = async (...args) => {
                    const response = await own(...args);
                    const json = response.json.bind(response);
                    response.json = async () => {
                        const value = await json();
                        answered = frame;
                        return value;
                    };
                    return response;
                };
                const watch = () => {
                    frame += 1;
                    if (answered !== null && out.textContent !== before) {
                        window.fetch = own;
                        resolve(frame - answered);
                    } else if (frame < 600) {
                        requestAnimationFrame(watch);
                    } else {
                        resolve(600);
                    }
                };
                requestAnimationFrame(watch);
            }),
    );
    await field.fill(String(8 + i));
    frames.push(await shown);
}
aim('frames from an answer to its angles on the test form', Math.max(...frames), { most: 2 });
let moved = await page.evaluate(() => window.moved);
for (const path of ['', '/poses/half-lotus', '/ladder/half-lotus', '/progress', '/lab']) {
    await page.goto(person + path);
    await page.waitForTimeout(500);
    moved = Math.max(moved, await page.evaluate(() => window.moved));
}
aim('layout shift, the most of six pages', moved, { most: 0.01 });

// A slow phone on a slow network: four times slower, 1.6 Mbit/s, 150 ms there and back.
const phone = await context.newPage();
const session = await context.newCDPSession(phone);
await session.send('Emulation.setCPUThrottlingRate', { rate: 4 });
await session.send('Network.enable');
await session.send('Network.setCacheDisabled', { cacheDisabled: true });
await session.send('Network.emulateNetworkConditions', {
    offline: false,
    latency: 150,
    downloadThroughput: 200_000,
    uploadThroughput: 90_000,
});
for (const [name, path] of Object.entries({ mat: base + '/', person, 'test form': `${person}/tests/soles-together` })) {
    await phone.goto(path);
    const painted = await phone.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0]?.startTime);
    console.log(`first contentful paint of the ${name} on a slow phone, nothing kept: ${painted?.toFixed(0)} ms`);
}
await browser.close();
