// The planned week on this device, encrypted under the PIN: what is at rest here is unreadable without it. The key
// itself is derived when the PIN is typed, and is gone when the page is closed.
const WEEK = 'own-week';
const SALT = 'own-salt';
const KEY = 'own-pin-key';
// A second on a telephone for each try: with six digits at least, days for whoever has the device and tries them all.
const ROUNDS = 1_000_000;

// A week with its figures is more than a function takes at once.
const toText = (bytes) => btoa(Array.from(new Uint8Array(bytes), (byte) => String.fromCharCode(byte)).join(''));
const toBytes = (text) => Uint8Array.from(atob(text), (char) => char.charCodeAt(0));
/** Browsers encrypt over a connection that nobody else reads, and on the machine itself; elsewhere nothing is kept. */
export const canKeep = () => globalThis.crypto?.subtle !== undefined;

const salt = () => {
    const known = localStorage.getItem(SALT) ?? toText(crypto.getRandomValues(new Uint8Array(16)));
    localStorage.setItem(SALT, known);
    return toBytes(known);
};

/** What the PIN opens, for as long as this page is open. */
export const typed = async (pin) => {
    const raw = await crypto.subtle.importKey('raw', new TextEncoder().encode(pin), 'PBKDF2', false, ['deriveBits']);
    const bits = await crypto.subtle.deriveBits(
        { name: 'PBKDF2', hash: 'SHA-256', salt: salt(), iterations: ROUNDS },
        raw,
        256,
    );
    sessionStorage.setItem(KEY, toText(bits));
};
export const hasKey = () => sessionStorage.getItem(KEY) !== null;
export const forgetKey = () => sessionStorage.removeItem(KEY);
const key = () =>
    crypto.subtle.importKey('raw', toBytes(sessionStorage.getItem(KEY)), 'AES-GCM', false, ['encrypt', 'decrypt']);

export const keepWeek = async (week) => {
    const iv = crypto.getRandomValues(new Uint8Array(12));
    const text = new TextEncoder().encode(JSON.stringify(week));
    const sealed = await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, await key(), text);
    localStorage.setItem(WEEK, JSON.stringify({ iv: toText(iv), sealed: toText(sealed) }));
};

/** The week as it was kept; null where there is none, or the PIN is another one. */
export const openWeek = async () => {
    try {
        const { iv, sealed } = JSON.parse(localStorage.getItem(WEEK));
        const text = await crypto.subtle.decrypt({ name: 'AES-GCM', iv: toBytes(iv) }, await key(), toBytes(sealed));
        return JSON.parse(new TextDecoder().decode(text));
    } catch {
        return null;
    }
};
export const hasWeek = () => localStorage.getItem(WEEK) !== null;
export const dropWeek = () => localStorage.removeItem(WEEK);
