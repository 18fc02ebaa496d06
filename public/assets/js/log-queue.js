// Logs of sessions wait on this device until the server has them. Each has its own id, so that one
// that is sent twice is kept once; one that the server will not take stays here, is shown, and lets
// the others pass.
const KEY = 'session-logs';
const TOKENS = '/session-token';

const waiting = () => {
    try {
        return JSON.parse(localStorage.getItem(KEY)) ?? [];
    } catch {
        return [];
    }
};
const keep = (logs) => localStorage.setItem(KEY, JSON.stringify(logs));
const same = (a) => (b) => a.body.id === b.body.id;
const change = (log, with_) => keep(waiting().map((other) => (same(log)(other) ? { ...other, ...with_ } : other)));

/** Puts a log in the queue: {address, token, owner, body}. */
export const queue = (log) => keep([...waiting().filter((other) => !same(log)(other)), log]);

/** What waits of one teacher, and why: {address, body, refused}. */
export const left = (owner) => waiting().filter((log) => !log.owner || log.owner === owner);

const fresh = async () => {
    const response = await fetch(TOKENS, { headers: { Accept: 'application/json' } });
    return response.ok && !response.redirected ? response.json() : null;
};
const post = (log, token) =>
    fetch(log.address, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', 'X-Token': token },
        body: JSON.stringify(log.body),
    });

let sending = false;

/** Sends what waits; answers whether nothing waits any more that could be sent. */
export const sendAll = async () => {
    if (sending) {
        return false;
    }
    sending = true;
    let done = true;
    try {
        // The token that a log was written with may have ended with its session: this one's is asked for.
        const session = await fresh();
        if (session === null) {
            return waiting().length === 0;
        }
        for (const log of waiting()) {
            if (log.owner && log.owner !== session.owner) {
                continue;
            }
            const response = await post(log, session.token);
            if (response.redirected) {
                return false;
            }
            if (response.ok) {
                keep(waiting().filter((other) => !same(log)(other)));
            } else if (response.status === 422) {
                const { error } = await response.json().catch(() => ({ error: '' }));
                change(log, { refused: error || String(response.status) });
            } else {
                done = false;
                change(log, { refused: String(response.status) });
            }
        }
        return done;
    } catch {
        return false;
    } finally {
        sending = false;
    }
};

window.addEventListener('online', () => sendAll());
if (waiting().length > 0) {
    sendAll();
}
