// The time of each page over that of a signed-in page with nothing on it, in turn, median of many.
import { aim } from './aim.mjs';

const base = process.env.BASE_URL;
const ROUNDS = 60;
/** The first view of a page, over an empty one. */
const MOST = { any: 2.2, person: 2.5, lab: 1.5 };

const jar = new Map();
const fetchPage = async (path, options = {}) => {
    const response = await fetch(base + path, {
        redirect: 'manual',
        ...options,
        headers: {
            ...options.headers,
            cookie: [...jar].map((pair) => pair.join('=')).join('; '),
        },
    });
    for (const set of response.headers.getSetCookie()) {
        const [name, value] = set.split(';')[0].split('=');
        jar.set(name, value);
    }
    return { status: response.status, text: await response.text() };
};

const form = await fetchPage('/sign-in');
const token = form.text.match(/_csrf_token" value="([^"]+)"/)[1];
await fetchPage('/sign-in', {
    method: 'POST',
    headers: { 'content-type': 'application/x-www-form-urlencoded', origin: base },
    body: new URLSearchParams({
        email: 'demo@studio.example',
        password: process.env.DEMO_PASSWORD,
        _csrf_token: token,
    }),
});
const mat = await fetchPage('/');
const person = mat.text.match(/href="(\/practitioners\/[0-9a-f-]{36})"/)?.[1];
if (!person) {
    throw new Error('The demo data is not there.');
}

const pages = {
    mat: '/',
    library: '/library',
    person,
    pose: `${person}/poses/half-lotus`,
    ladder: `${person}/ladder/half-lotus`,
    progress: `${person}/progress`,
    journal: `${person}/journal`,
    'test form': `${person}/tests/soles-together`,
    'pose lab': `${person}/lab`,
};
const times = Object.fromEntries(['nothing', ...Object.keys(pages)].map((name) => [name, []]));
for (let round = 0; round < ROUNDS; round += 1) {
    for (const name of Object.keys(times)) {
        const start = performance.now();
        const { status } = await fetchPage(pages[name] ?? '/nothing');
        if (status !== 200) {
            throw new Error(`${name} answered ${status}`);
        }
        times[name].push(performance.now() - start);
    }
}

// The lab's answers: the server's part of what a moved slider waits for.
const lab = await fetchPage(`${person}/lab`);
const labToken = lab.text.match(/data-token="([^"]+)"/)[1];
const questions = {
    'half lotus': { posture: 'half-lotus', values: { kneeHeight: 14, seat: 0, pelvicTilt: 0 } },
    'leg behind the head': {
        posture: 'leg-behind-head',
        values: { rounding: 50, kneeOutside: 20, seat: 0, pelvicTilt: 0 },
    },
};
const answers = Object.fromEntries(Object.keys(questions).map((name) => [name, []]));
for (let round = 0; round < ROUNDS; round += 1) {
    for (const [name, question] of Object.entries(questions)) {
        const start = performance.now();
        const { status } = await fetchPage(`${person}/lab/left`, {
            method: 'POST',
            headers: { 'content-type': 'application/json', 'x-token': labToken },
            body: JSON.stringify(question),
        });
        if (status !== 200) {
            throw new Error(`lab, ${name}, answered ${status}`);
        }
        answers[name].push(performance.now() - start);
    }
}
const median = (list) => list.toSorted((a, b) => a - b)[Math.floor(list.length / 2)];
const nothing = median(times.nothing);
for (const name of Object.keys(pages)) {
    aim(`page ${name}, over an empty signed-in page`, median(times[name]) / nothing, { most: MOST[name] ?? MOST.any });
}
for (const name of Object.keys(answers)) {
    aim(`lab answer ${name}, over an empty signed-in page`, median(answers[name]) / nothing, { most: MOST.lab });
}
// A faster empty page makes every ratio look worse: what it takes by itself stands beside them.
console.log(`an empty signed-in page: ${nothing.toFixed(1)} ms`);
