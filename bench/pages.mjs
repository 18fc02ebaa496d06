// The time of each page over that of a signed-in page with nothing on it but that nobody is there, in turn, median of
// many: as it is made the first time after something was written about the person, and as it is seen again.
import { aim } from './aim.mjs';

const base = process.env.BASE_URL;
const ROUNDS = 40;
const MOST = { first: 2.2, person: 2.5, again: 1.3, lab: 1.5, years: 1.2 };

const jar = new Map();
const fetchPage = async (path, options = {}) => {
    const start = performance.now();
    const response = await fetch(base + path, {
        redirect: 'manual',
        ...options,
        headers: { ...options.headers, cookie: [...jar].map((pair) => pair.join('=')).join('; ') },
    });
    for (const set of response.headers.getSetCookie()) {
        const [name, value] = set.split(';')[0].split('=');
        jar.set(name, value);
    }
    const text = await response.text();
    return { status: response.status, text, ms: performance.now() - start };
};
const NOBODY = '/practitioners/00000000-0000-7000-8000-000000000000';
const timed = async (path, options = {}, expected = 200) => {
    const { status, ms } = await fetchPage(path, options);
    if (status !== expected) {
        throw new Error(`${path} answered ${status}`);
    }
    return ms;
};
const median = (list) => list.toSorted((a, b) => a - b)[Math.floor(list.length / 2)];

const signIn = await fetchPage('/sign-in');
await fetchPage('/sign-in', {
    method: 'POST',
    headers: { 'content-type': 'application/x-www-form-urlencoded', origin: base },
    body: new URLSearchParams({
        email: 'demo@studio.example',
        password: process.env.DEMO_PASSWORD,
        _csrf_token: signIn.text.match(/_csrf_token" value="([^"]+)"/)[1],
    }),
});
const find = async (name) =>
    (await fetchPage(`/?q=${name}`)).text.match(/href="(\/practitioners\/[0-9a-f-]{36})"/)?.[1];
const person = await find('');
const few = await find('Zz+Bench+few');
const many = await find('Zz+Bench+many');
if (!person || !few || !many) {
    throw new Error('The records of the bench are not there.');
}

// Something is written about a person: what was typed on the bench is kept.
const token = (await fetchPage(`${person}/tests/soles-together`)).text.match(/data-token="([^"]+)"/)[1];
const versions = new Map();
const write = async (of) => {
    const { status, text } = await fetchPage(`${of}/drafts/bench`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json', 'x-token': token },
        body: JSON.stringify({ version: versions.get(of) ?? 0, content: { note: String(performance.now()) } }),
    });
    versions.set(of, JSON.parse(text).version);
    if (status === 409) {
        await write(of);
    }
};

const pages = {
    mat: '/',
    person,
    pose: `${person}/poses/half-lotus`,
    ladder: `${person}/ladder/half-lotus`,
    progress: `${person}/progress`,
    journal: `${person}/journal`,
    route: `${person}/route`,
};
// What is never kept, or only with the teacher's own entries: made anew each time that it is asked with a name that
// nobody has.
const anew = { library: '/library?anew=1', 'test form': `${person}/tests/soles-together`, 'pose lab': `${person}/lab` };
const first = new Map();
const again = new Map();
const add = (to, name, ms) => to.set(name, [...(to.get(name) ?? []), ms]);
for (let round = 0; round < ROUNDS; round += 1) {
    add(first, 'nothing', await timed(NOBODY, {}, 404));
    for (const [name, path] of Object.entries(pages)) {
        await write(person);
        add(first, name, await timed(path));
        add(again, name, await timed(path));
    }
    for (const [name, path] of Object.entries(anew)) {
        add(first, name, await timed(path));
    }
    add(again, 'library', await timed('/library'));
    for (const [name, of] of [
        ['few', few],
        ['many', many],
    ]) {
        await write(of);
        add(first, name, await timed(of));
    }
    // The mat asks anew of everybody who has changed since it was seen: one person is to have, each time.
    await timed('/');
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
const answers = new Map();
for (let round = 0; round < ROUNDS; round += 1) {
    for (const [name, question] of Object.entries(questions)) {
        const ms = await timed(`${person}/lab/left`, {
            method: 'POST',
            headers: { 'content-type': 'application/json', 'x-token': labToken },
            body: JSON.stringify(question),
        });
        add(answers, name, ms);
    }
}
const nothing = median(first.get('nothing'));
// A faster empty page makes every ratio look worse: what each takes by itself stands beside it.
const over = (said, list, most) =>
    aim(`${said}, over an empty signed-in page (${median(list).toFixed(1)} ms)`, median(list) / nothing, { most });
for (const name of [...Object.keys(pages), ...Object.keys(anew)]) {
    over(`page ${name}, first view`, first.get(name), MOST[name] ?? MOST.first);
}
for (const [name, list] of again) {
    over(`page ${name}, seen again`, list, MOST.again);
}
aim(
    'a person of 500 readings over one of 5, with 50,000 of others',
    median(first.get('many')) / median(first.get('few')),
    {
        most: MOST.years,
    },
);
for (const [name, list] of answers) {
    over(`lab answer ${name}`, list, MOST.lab);
}
console.log(`an empty signed-in page: ${nothing.toFixed(1)} ms`);
