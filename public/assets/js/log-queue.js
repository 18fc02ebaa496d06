// Logs of sessions wait on this device until the server has them. Each has its own id, so that one that is sent
// twice is kept once; one that the server will not take stays here, is shown, and lets the others pass. What a log
// says is health data: it is kept encrypted with a key that the server gives to its own teacher alone.
const KEY = 'session-logs';
// A practitioner's own page has tokens of its own.
const TOKENS = document.body?.dataset.tokens ?? '/session-token';

// One that was kept before they were encrypted has its parts in the open.
const known = (log) =>
    log.id ? log : { id: log.body?.id, owner: log.owner, content: { address: log.address, body: log.body } };
const waiting = () => {
    try {
        return (JSON.parse(localStorage.getItem(KEY)) ?? []).map(known);
    } catch {
        return [];
    }
};
const keep = (logs) => localStorage.setItem(KEY, JSON.stringify(logs));
const same = (a) => (b) => a.id === b.id;
const change = (log, with_) => keep(waiting().map((other) => (same(log)(other) ? { ...other, ...with_ } : other)));

const toText = (bytes) => btoa(String.fromCharCode(...new Uint8Array(bytes)));
const toBytes = (text) => Uint8Array.from(atob(text), (char) => char.charCodeAt(0));
// Browsers encrypt over a connection that nobody else reads, and on the machine itself; elsewhere there is nothing to
// do it with.
const canSeal = () => globalThis.crypto?.subtle !== undefined;
const keyOf = (text) => crypto.subtle.importKey('raw', toBytes(text), 'AES-GCM', false, ['encrypt', 'decrypt']);

const seal = async (content, key) => {
    const iv = crypto.getRandomValues(new Uint8Array(12));
    const text = new TextEncoder().encode(JSON.stringify(content));
    return {
        iv: toText(iv),
        sealed: toText(await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, await keyOf(key), text)),
    };
};
const open = async (log, key) => {
    if (!log.sealed) {
        return log.content;
    }
    const bytes = await crypto.subtle.decrypt(
        { name: 'AES-GCM', iv: toBytes(log.iv) },
        await keyOf(key),
        toBytes(log.sealed),
    );
    return JSON.parse(new TextDecoder().decode(bytes));
};

const hurtsIn = ({ items = [], pains = [] }) =>
    pains.length > 0 || items.some(({ pain }) => pain && (pain.level > 0 || pain.kind === 'lasting-numbness'));

/** Puts a log in the queue: its owner and key, the address, and the body with its id. */
export const queue = async ({ owner, key, address, body }) => {
    const content = { address, body };
    const hurts = hurtsIn(body);
    const log = { id: body.id, owner, hurts, ...(canSeal() ? await seal(content, key) : { content }) };
    keep([...waiting().filter((other) => !same(log)(other)), log]);
};

const asked = new Map();

/** Where the server asks what a note means, of a log that was sent from here; undefined where it asks nothing. */
export const askedOf = (id) => asked.get(id);

/** What waits of one teacher, and why it was refused: {id, refused}. */
export const left = (owner) => waiting().filter((log) => log.owner === owner);

/** Whether something that hurt waits to be told: until the server has heard it, this device has to hold it. */
export const hurting = (owner) => left(owner).some((log) => log.hurts);

/** What waits of whoever is signed in, opened: {id, refused, content}; content is null where it cannot be read here. */
export const opened = async () => {
    const session = await fresh();
    return session === null
        ? []
        : Promise.all(
              waitingOf(session).map(async ({ log, key }) => ({
                  id: log.id,
                  refused: log.refused ?? '',
                  content: await open(log, key).catch(() => null),
              })),
          );
};

/** Puts a log that was mended in the place of the one that was refused, and sends what waits. */
export const sendMended = async ({ address, body }) => {
    const session = await fresh();
    if (session !== null) {
        await queue({ owner: session.owner, key: session.key, address, body });
    }
    return sendAll();
};

// A device that was given a new key still has what waited under the one before: it is the same person's.
const waitingOf = (session) =>
    [session, ...(session.older ?? [])].flatMap(({ owner, key }) => left(owner).map((log) => ({ log, key })));

const fresh = async () => {
    const response = await fetch(TOKENS, { headers: { Accept: 'application/json' } });
    return response.ok && !response.redirected ? response.json() : null;
};
const post = ({ address, body }, token) =>
    fetch(address, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', 'X-Token': token },
        body: JSON.stringify(body),
    });

const send = async () => {
    let done = true;
    try {
        // The token that a log was written with may have ended with its session: this one's is asked for.
        const session = await fresh();
        if (session === null) {
            return waiting().length === 0;
        }
        // What is put in while this goes on is sent as well.
        const tried = new Set();
        const next = () => waitingOf(session).find(({ log }) => !tried.has(log.id));
        for (let found = next(); found; found = next()) {
            const { log, key } = found;
            tried.add(log.id);
            const content = await open(log, key).catch(() => null);
            if (content === null) {
                change(log, { refused: 'unreadable' });
                done = false;
                continue;
            }
            const response = await post(content, session.token);
            if (response.redirected) {
                return false;
            }
            if (response.ok) {
                const { ask } = await response.json().catch(() => ({}));
                if (ask) {
                    asked.set(log.id, ask);
                }
                keep(waiting().filter((other) => !same(log)(other)));
            } else if (response.status === 422) {
                const { error } = await response.json().catch(() => ({ error: '' }));
                // What it says of pain has been heard all the same.
                change(log, { refused: error || String(response.status), hurts: false });
            } else {
                done = false;
                change(log, { refused: String(response.status) });
            }
        }
        return done;
    } catch {
        return false;
    } finally {
        document.dispatchEvent(new Event('logs'));
    }
};
let sending = null;

/** Sends what waits of the teacher who is signed in; answers whether nothing waits any more that could be sent. */
export const sendAll = () => {
    sending ??= send().finally(() => {
        sending = null;
    });
    return sending;
};

window.addEventListener('online', () => sendAll());
// A network that comes back does not always say so.
setInterval(() => {
    if (waiting().some((log) => !log.refused)) {
        sendAll();
    }
}, 10_000);
