// Main pages of one teacher with 200 people in a studio of 500 teachers, over those of the same teacher with the same
// people alone in the world: in turn, median of many, none of them kept. LARGE and SMALL say where.
import { aim } from './aim.mjs';
import { page, signIn } from '../tests/Kills/client.mjs';

const ROUNDS = 15;
const EMAIL = 'teacher-0@studio.example';
const there = { large: process.env.LARGE, small: process.env.SMALL };
const median = (list) => list.toSorted((a, b) => a - b)[Math.floor(list.length / 2)];

const open = async (base) => {
    const ask = await signIn(base, process.env[base === there.large ? 'LARGE_PASSWORD' : 'SMALL_PASSWORD'], EMAIL);
    const mat = await page(ask, `${base}/`);
    const people = [...new Set([...mat.matchAll(/href="(\/practitioners\/[0-9a-f-]{36})"/g)].map((found) => found[1]))];
    // The same person in both: of the same name.
    const found = await page(ask, `${base}/?q=Person+0`);
    const person = /href="(\/practitioners\/[0-9a-f-]{36})"[^>]*>\s*Person 0\s*</.exec(found)?.[1] ?? people[0];
    return { ask, base, person };
};
const time = async ({ ask, base }, path) => {
    const began = performance.now();
    const response = await ask(base + path);
    await response.text();
    if (response.status !== 200) {
        throw new Error(`${path}: ${response.status}`);
    }
    return performance.now() - began;
};

const installations = { large: await open(there.large), small: await open(there.small) };
const paths = {
    mat: () => `/?anew=${Math.random()}`,
    search: () => '/search?q=Person+1',
    person: (of) => `${of.person}?anew=${Math.random()}`,
    ladder: (of) => `${of.person}/ladder/pigeon?anew=${Math.random()}`,
    pose: (of) => `${of.person}/poses/half-lotus?anew=${Math.random()}`,
    progress: (of) => `${of.person}/progress?anew=${Math.random()}`,
    journal: (of) => `${of.person}/journal?anew=${Math.random()}`,
    library: () => `/library?anew=${Math.random()}`,
};
for (const [name, path] of Object.entries(paths)) {
    const times = { large: [], small: [] };
    for (let round = 0; round < ROUNDS; ++round) {
        for (const [size, of] of Object.entries(installations)) {
            times[size].push(await time(of, path(of)));
        }
    }
    aim(
        `${name}, 100,000 people over 200 (${median(times.large).toFixed(0)} ms)`,
        median(times.large) / median(times.small),
        { most: 1.3 },
    );
}

const classes = await page(installations.large.ask, `${there.large}/classes`);
const sheet = /href="(\/classes\/[0-9a-f-]{36})"/.exec(classes)[1];
const sheets = [];
for (let round = 0; round < 5; ++round) {
    sheets.push(await time(installations.large, `${sheet}?anew=${Math.random()}`));
}
aim('class sheet of 40 people, in seconds', median(sheets) / 1000, { most: 1 });
