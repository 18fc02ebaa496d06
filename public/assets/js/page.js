// What every page does: mirror both sides for a teacher who faces the practitioner, tie errors to
// their fields, and warn before typed numbers are lost.
import { forgetSent, forgetSynced } from './draft.js';
import { left, sendAll } from './log-queue.js';
import { t } from './texts.js';

const root = document.documentElement;
const FACING = 'facing';

const applyFacing = (facing) => {
    root.dataset.facing = facing;
    const button = document.querySelector('[data-facing-switch]');
    button?.setAttribute('aria-pressed', String(facing === 'front'));
    document.dispatchEvent(new Event('facing'));
};

applyFacing(localStorage.getItem(FACING) ?? 'behind');
document.querySelector('[data-facing-switch]')?.addEventListener('click', () => {
    const facing = root.dataset.facing === 'front' ? 'behind' : 'front';
    localStorage.setItem(FACING, facing);
    applyFacing(facing);
});

// A field's errors are announced with the field; the first faulty one takes the focus.
for (const fault of document.querySelectorAll('.fault[id]')) {
    const field = document.getElementById(fault.id.replace(/_error\d+$/, ''));
    if (!field) {
        continue;
    }
    field.setAttribute('aria-describedby', `${field.getAttribute('aria-describedby') ?? ''} ${fault.id}`.trim());
    if (field.matches('input, select, textarea')) {
        field.setAttribute('aria-invalid', 'true');
    }
}
document.querySelector('[aria-invalid="true"]')?.focus();

// One search from anywhere.
document.addEventListener('keydown', (event) => {
    const isTyping = event.target.closest('input, select, textarea, [contenteditable]');
    if (event.key === '/' && !isTyping && !event.ctrlKey && !event.metaKey && !event.altKey) {
        const here = document.querySelector('main [type="search"]');
        const link = document.querySelector('[data-search]');
        if (here || link) {
            event.preventDefault();
            (here ?? link)[here ? 'focus' : 'click']();
        }
    }
});

forgetSent();
document.querySelector('form[action$="/sign-out"]')?.addEventListener('submit', forgetSynced);

// What waits on this device is sent from whatever page is open, and said until it is.
const sayWhatWaits = () => {
    const { owner } = document.body.dataset;
    const logs = owner ? left(owner) : [];
    const note = document.querySelector('[data-waiting]') ?? document.createElement('p');
    note.className = 'note caution';
    note.dataset.waiting = String(logs.length);
    if (logs.length === 0) {
        note.remove();
        return;
    }
    document.querySelector('main [role="status"]').append(note);
    const why = [...new Set(logs.map((log) => log.refused).filter(Boolean))].join('; ');
    note.textContent = t('log.waiting', { count: logs.length }) + (why ? ` ${why}` : '');
    if (document.body.dataset.tokens) {
        return;
    }
    const link = document.createElement('a');
    link.href = '/waiting-logs';
    link.textContent = t('log.mend');
    note.append(' ', link);
};
document.addEventListener('logs', sayWhatWaits);
if (document.body.dataset.owner && left(document.body.dataset.owner).length > 0) {
    sayWhatWaits();
    sendAll();
}

let changed = false;
document.addEventListener('input', (event) => {
    // What is kept while it is typed cannot be lost.
    changed ||= event.target.closest('form[method="post"]:not([data-drafts="yes"])') !== null;
});
document.addEventListener('submit', (event) => {
    changed = false;
    // What takes a while says that it goes on.
    const busy = event.target.closest('[data-busy]');
    if (busy && !event.defaultPrevented && !busy.querySelector('progress')) {
        const note = document.createElement('p');
        const bar = document.createElement('progress');
        note.setAttribute('role', 'status');
        bar.setAttribute('aria-label', t('page.busy'));
        note.append(bar, ' ', t('page.busy'));
        busy.append(note);
    }
});
// A page that comes back out of the browser's memory is not busy any more.
window.addEventListener('pageshow', () => {
    for (const bar of document.querySelectorAll('[data-busy] progress')) {
        bar.parentElement.remove();
    }
});
window.addEventListener('beforeunload', (event) => {
    if (changed) {
        event.preventDefault();
    }
});

// Paper has nothing to unfold: everything is open while it is printed, and as it was afterwards.
let folded = [];
window.addEventListener('beforeprint', () => {
    folded = [...document.querySelectorAll('details:not([open])')];
    folded.forEach((details) => details.setAttribute('open', ''));
});
window.addEventListener('afterprint', () => folded.forEach((details) => details.removeAttribute('open')));

// Whoever follows a link to a rung sees it open.
const open = () => {
    const target = document.getElementById(decodeURIComponent(location.hash.slice(1)));
    if (target instanceof HTMLDetailsElement) {
        target.open = true;
        target.scrollIntoView();
    }
};
window.addEventListener('hashchange', open);
open();
