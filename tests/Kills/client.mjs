// A teacher's browser, as far as it signs in and writes: what storms of kills ask with.
export const jar = (cookies = new Map()) => {
    return async (address, options = {}) => {
        const response = await fetch(address, {
            ...options,
            redirect: 'manual',
            signal: AbortSignal.timeout(20_000),
            headers: { ...options.headers, cookie: [...cookies].map(([name, value]) => `${name}=${value}`).join('; ') },
        });
        for (const cookie of response.headers.getSetCookie()) {
            const [, name, value] = /^([^=]+)=([^;]*)/.exec(cookie);
            cookies.set(name, value);
        }
        return response;
    };
};

export const signIn = async (base, password, email = 'demo@studio.example', cookies = new Map()) => {
    const ask = jar(cookies);
    const form = await (await ask(`${base}/sign-in`)).text();
    const token = /name="_csrf_token" value="([^"]+)"/.exec(form)[1];
    const response = await ask(`${base}/sign-in`, {
        method: 'POST',
        headers: { 'content-type': 'application/x-www-form-urlencoded', origin: base, referer: `${base}/sign-in` },
        body: new URLSearchParams({ email, password, _csrf_token: token }),
    });
    if (response.status !== 302) {
        throw new Error(`signing in: ${response.status}`);
    }
    return ask;
};

export const firstPerson = async (base, ask) =>
    /href="(\/practitioners\/[0-9a-f-]{36})"/.exec(await (await ask(`${base}/`)).text())[1];

/** What the fields of a form are called, and hold, by the attributes that they are written with. */
export const fields = (html, form) => {
    const values = {};
    for (const [tag] of html.matchAll(/<input\b[^>]*>/g)) {
        const attribute = (name) => new RegExp(`\\b${name}="([^"]*)"`).exec(tag)?.[1];
        const name = attribute('name') ?? '';
        if (name.startsWith(`${form}[`) && !['radio', 'checkbox'].includes(attribute('type'))) {
            values[name] = attribute('value') ?? '';
        }
    }
    return values;
};

/** A page, as it is written. */
export const page = async (ask, address) => {
    const response = await ask(address);
    if (response.status !== 200) {
        throw new Error(`${address}: ${response.status}`);
    }
    return response.text();
};

/** Sends a form; once it is taken, where it leads. */
export const send = async (ask, address, values) => {
    const response = await ask(address, {
        method: 'POST',
        headers: { 'content-type': 'application/x-www-form-urlencoded' },
        body: new URLSearchParams(values),
    });
    return response.status === 302 ? response.headers.get('location') : null;
};

const PLAN = [
    ['plan[weeks]', '2'],
    ['plan[days][]', 'tue'],
    ['plan[minutes]', '45'],
    ['plan[blocks]', '2'],
    ['plan[blankets]', '3'],
    ['plan[flat]', '10'],
    ['plan[side]', '15'],
    ['plan[end]', '23'],
    ['plan[blanket]', '3'],
    ['plan[school]', 'long-still'],
    ['plan[time]', '18:00'],
    ['plan[zone]', 'Europe/Oslo'],
];

/** The form of a new plan, as it is sent. */
export const newPlan = async (base, ask, person) => {
    const held = fields(await page(ask, `${base}${person}/plans/new`), 'plan');
    return [...PLAN, ['plan[entry]', held['plan[entry]']], ['plan[_token]', held['plan[_token]']]];
};

/** A person's plan; made where there is none yet. */
export const planOf = async (base, ask, person) => {
    const there = new RegExp(`${person}/plans/[0-9a-f-]{36}`).exec(await (await ask(base + person)).text());
    return there
        ? there[0]
        : new URL(await send(ask, `${base}${person}/plans/new`, await newPlan(base, ask, person)), base).pathname;
};
