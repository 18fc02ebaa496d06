// Keeps what is typed: on this device at once, on the server a moment later. A version that somebody
// else has typed meanwhile is shown beside one's own, and neither is overwritten until one is chosen.
import { t } from './texts.js';

const WAIT = 600;
const PREFIX = 'draft:';
// What belongs to this very opening of the form, and not to what was typed into it.
const OWN = /\[(_token|entry)\]$|^draft$/;

const content = (form) => {
    const fields = {};
    for (const [name, value] of new FormData(form)) {
        if (OWN.test(name) || typeof value !== 'string') {
            continue;
        }
        if (name.endsWith('[]')) {
            (fields[name] ??= []).push(value);
        } else {
            fields[name] = value;
        }
    }
    return fields;
};

const fill = (form, fields) => {
    for (const element of form.elements) {
        const { name, type } = element;
        if (!name || OWN.test(name) || type === 'file') {
            continue;
        }
        const value = fields[name];
        if (type === 'checkbox' || type === 'radio') {
            element.checked = name.endsWith('[]')
                ? (value ?? []).includes(element.value)
                : value === undefined
                  ? element.checked
                  : value === element.value;
        } else if (value !== undefined) {
            element.value = value;
        }
    }
};

const same = (one, other) =>
    JSON.stringify(Object.entries(one).sort()) === JSON.stringify(Object.entries(other).sort());

// Written out as a teacher would say it: the field's label and what stands in it.
const spoken = (form, fields) =>
    Object.entries(fields)
        .filter(([, value]) => value !== '' && value.length > 0)
        .map(([name, value]) => {
            const field = form.elements[name] ?? form.querySelector(`[name="${name}"]`);
            const id = field?.id ?? field?.[0]?.id;
            const label = id ? form.querySelector(`label[for="${id}"]`)?.textContent.trim() : null;
            const place = name.match(/\[(\d)\]/);
            const called = label ?? name.replace(/^bench\[|\]/g, ' ').trim();
            const number = place ? ` ${Number(place[1]) + 1}` : '';

            return `${called}${number}: ${[value].flat().join(', ')}`;
        })
        .join('; ');

/** Signed out, nothing that was typed stays on this device but what the server does not have yet. */
export const forgetSynced = () => {
    for (const key of Object.keys(localStorage).filter((name) => name.startsWith(PREFIX))) {
        try {
            if (JSON.parse(localStorage.getItem(key)).synced) {
                localStorage.removeItem(key);
            }
        } catch {
            localStorage.removeItem(key);
        }
    }
};

export const keepDraft = (form, changed) => {
    if (form.dataset.drafts !== 'yes') {
        return;
    }
    const key = PREFIX + form.dataset.draft;
    const status = document.querySelector('[data-saved]');
    const panel = document.querySelector('[data-versions]');
    let version = Number(form.dataset.draftVersion);
    let timer = 0;
    let sending = false;
    let again = false;

    const read = () => {
        try {
            return JSON.parse(localStorage.getItem(key));
        } catch {
            return null;
        }
    };
    const write = (synced) => {
        try {
            localStorage.setItem(key, JSON.stringify({ version, synced, content: content(form) }));
        } catch {
            // A full or forbidden store: the server's copy is the one there is.
        }
    };
    const seen = (number) => {
        version = number;
        form.elements.draft.value = String(number);
    };
    const choose = (other, otherVersion) => {
        const button = (text, act) => {
            const element = document.createElement('button');
            element.type = 'button';
            element.className = 'button';
            element.textContent = text;
            element.addEventListener('click', () => {
                act();
                panel.hidden = true;
                changed();
            });
            return element;
        };
        const line = (text) => {
            const p = document.createElement('p');
            p.textContent = text;
            return p;
        };
        panel.replaceChildren(
            line(t('draft.two')),
            line(t('draft.here', { what: spoken(form, content(form)) })),
            line(t('draft.elsewhere', { what: spoken(form, other) || t('draft.emptied') })),
            button(t('draft.keep_here'), () => {
                seen(otherVersion);
                send();
            }),
            button(t('draft.take_other'), () => {
                seen(otherVersion);
                fill(form, other);
                write(true);
            }),
        );
        panel.hidden = false;
        panel.scrollIntoView({ block: 'nearest' });
    };
    const send = async () => {
        if (sending) {
            again = true;
            return;
        }
        sending = true;
        const sent = content(form);
        try {
            const response = await fetch(form.dataset.draft, {
                method: 'PUT',
                headers: { 'Content-Type': 'application/json', 'X-Token': form.dataset.token },
                body: JSON.stringify({ version, content: sent }),
            });
            if (response.status === 409) {
                const there = await response.json();
                if (same(sent, there.content)) {
                    seen(there.version);
                } else {
                    choose(there.content, there.version);
                }
            } else if (!response.ok || response.redirected) {
                throw new Error(String(response.status));
            } else {
                seen((await response.json()).version);
                status.textContent = t('draft.kept');
                write(true);
            }
        } catch {
            status.textContent = t('draft.only_here');
            clearTimeout(timer);
            timer = setTimeout(send, 10 * WAIT);
        }
        sending = false;
        if (again) {
            again = false;
            send();
        }
    };

    const server = JSON.parse(form.dataset.draftContent);
    const local = read();
    // A form that came back with faults already holds what was typed.
    const isFresh = document.querySelector('[aria-invalid="true"], .fault[id]') === null;
    if (isFresh && version > 0) {
        fill(form, server);
        status.textContent = t('draft.back');
    }
    if (isFresh && local && !local.synced && !same(local.content, content(form))) {
        if (local.version === version) {
            fill(form, local.content);
            status.textContent = t('draft.back_here');
            send();
        } else {
            const other = content(form);
            fill(form, local.content);
            choose(other, version);
        }
    }

    form.addEventListener('input', () => {
        write(false);
        clearTimeout(timer);
        timer = setTimeout(send, WAIT);
    });
    form.addEventListener('submit', () => {
        clearTimeout(timer);
        form.elements.draft.value = String(version);
        // If the record does not arrive, because the network is gone or somebody signed out, this is what comes back.
        write(false);
        sessionStorage.setItem('sent', key);
    });
};

/** A form that was sent and led to another page is recorded: its copy on this device goes. */
export const forgetSent = () => {
    const key = sessionStorage.getItem('sent');
    sessionStorage.removeItem('sent');
    if (key && document.querySelector('[role="status"] .note')) {
        localStorage.removeItem(key);
    }
};
