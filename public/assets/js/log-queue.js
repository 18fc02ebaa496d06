// Logs of sessions wait on this device until the server has them. Each has its own id, so that one
// that is sent twice is kept once.
const KEY = 'session-logs';

const waiting = () => {
    try {
        return JSON.parse(localStorage.getItem(KEY)) ?? [];
    } catch {
        return [];
    }
};
const keep = (logs) => localStorage.setItem(KEY, JSON.stringify(logs));

/** Puts a log in the queue: {address, token, body}. */
export const queue = (log) => keep([...waiting().filter((other) => other.body.id !== log.body.id), log]);

let sending = false;

/** Sends what waits; answers whether nothing waits any more. */
export const sendAll = async (token) => {
    if (sending) {
        return false;
    }
    sending = true;
    try {
        for (const log of waiting()) {
            const response = await fetch(log.address, {
                method: 'POST',
                headers: { 'Content-Type': 'application/json', 'X-Token': token ?? log.token },
                body: JSON.stringify(log.body),
            });
            if ((!response.ok && response.status !== 422) || response.redirected) {
                return false;
            }
            keep(waiting().filter((other) => other.body.id !== log.body.id));
        }
        return true;
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
