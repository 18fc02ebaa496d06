// The weeks of a plan: an item opens into its panel, and is moved by drag, by buttons or by keys. The server
// says whether a change keeps the rules; what it refuses is said where it was tried, and nothing has changed.
import { t } from './texts.js';

const FAR = 8;
const { change: address, token } = document.querySelector('[data-change]').dataset;
const refusal = document.querySelector('[data-refused]');
// On a phone the next session is open, and each other one is a tap away.
if (window.matchMedia('(width <= 46rem)').matches) {
    for (const fold of document.querySelectorAll('.day-fold:not([data-next])')) {
        fold.open = false;
    }
}
const strips = [...document.querySelectorAll('[data-strip]')];

const refuse = (said, near) => {
    const place = near ?? refusal;
    place.textContent = said;
    place.hidden = false;
    place.scrollIntoView({ block: 'nearest' });
};
const send = async (fields, near) => {
    const body = new FormData();
    body.set('_token', token);
    for (const [name, value] of Object.entries(fields)) {
        body.set(name, value);
    }
    try {
        const response = await fetch(address, { method: 'POST', body, headers: { Accept: 'application/json' } });
        const said = await response.json();
        if (said.address) {
            sessionStorage.setItem('plan-place', String(window.scrollY));
            window.location.assign(said.address);
        } else {
            refuse(said.refused ?? t('plan.refused'), near);
        }
    } catch {
        refuse(t('plan.offline'), near);
    }
};
const placeOf = (li) => {
    const [week, session] = li.closest('[data-strip]').dataset.strip.split('-');
    return { week, session, item: li.dataset.moves };
};

// The panel of an item, fetched from its own page, stands below its strip.
const open = async (link) => {
    const strip = link.closest('[data-strip]');
    const place = document.querySelector(`[data-panel="${strip.dataset.strip}"]`);
    const page = await fetch(link.href).then((response) => response.text());
    const panel = new DOMParser().parseFromString(page, 'text/html').querySelector('[data-item-panel]');
    if (!panel) {
        window.location.assign(link.href);
        return;
    }
    const title = panel.querySelector('h1');
    const heading = document.createElement('h5');
    heading.className = title.className;
    heading.tabIndex = -1;
    heading.append(...title.childNodes);
    title.replaceWith(heading);
    for (const other of document.querySelectorAll('[data-strip] a[aria-current]')) {
        other.removeAttribute('aria-current');
    }
    for (const other of document.querySelectorAll('[data-panel]')) {
        other.replaceChildren();
    }
    link.setAttribute('aria-current', 'true');
    place.replaceChildren(panel);
    panel.querySelector('[data-changes]')?.addEventListener('submit', (event) => {
        event.preventDefault();
        const fields = Object.fromEntries(new FormData(event.target, event.submitter));
        send(fields, event.target.querySelector('[data-refused]'));
    });
    heading.focus({ preventScroll: true });
    panel.scrollIntoView({ block: 'nearest' });
};

let drag = null;
let hasDragged = false;
const dayAt = (x, y) => document.elementFromPoint(x, y)?.closest('[data-day]') ?? null;
const itemAt = (x, y) => document.elementFromPoint(x, y)?.closest('[data-strip] > li') ?? null;
const mark = (day) => {
    for (const other of document.querySelectorAll('.day.takes')) {
        other.classList.remove('takes');
    }
    day?.classList.add('takes');
};
const drop = (event) => {
    const { li } = drag;
    const { week, session, item } = placeOf(li);
    const day = dayAt(event.clientX, event.clientY);
    const other = itemAt(event.clientX, event.clientY);
    const target = day?.dataset.day ?? other?.closest('[data-strip]').dataset.strip;
    if (!target) {
        // Somewhere that is no day of practice to come.
        refuse(t('plan.no_session'));
        return;
    }
    const [toWeek, toSession] = target.split('-');
    if (toWeek !== week) {
        refuse(t('plan.other_week'));
    } else if (toSession !== session) {
        send({ week, session, item, change: `to-${toSession}` });
    } else if (other && other !== li) {
        const isLater = [...other.parentNode.children].indexOf(other) > [...li.parentNode.children].indexOf(li);
        send({ week, session, item, change: isLater ? 'later' : 'earlier' });
    }
};
for (const strip of strips) {
    strip.addEventListener('click', (event) => {
        const link = event.target.closest('a');
        if (link && !event.ctrlKey && !event.metaKey && !event.shiftKey) {
            event.preventDefault();
            if (!hasDragged) {
                open(link);
            }
        }
        hasDragged = false;
    });
    strip.addEventListener('pointerdown', (event) => {
        const li = event.target.closest('[data-moves]');
        hasDragged = false;
        drag =
            li && event.button === 0 && event.pointerType !== 'touch'
                ? { li, x: event.clientX, y: event.clientY }
                : null;
    });
    // The browser would select text, or drag a link of its own.
    strip.addEventListener('mousedown', (event) => {
        if (event.target.closest('[data-moves]')) {
            event.preventDefault();
        }
    });
    strip.addEventListener('dragstart', (event) => event.preventDefault());
    // By keys: from item to item with the arrows; with Alt the item goes along.
    strip.addEventListener('keydown', (event) => {
        const li = event.target.closest('li');
        const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
        if (!li || !step) {
            return;
        }
        event.preventDefault();
        if (event.altKey && li.dataset.moves !== undefined) {
            send({ ...placeOf(li), change: step > 0 ? 'later' : 'earlier' });
        } else if (!event.altKey) {
            (step > 0 ? li.nextElementSibling : li.previousElementSibling)?.querySelector('a').focus();
        }
    });
}
document.addEventListener('pointermove', (event) => {
    if (!drag) {
        return;
    }
    if (!hasDragged && Math.hypot(event.clientX - drag.x, event.clientY - drag.y) > FAR) {
        hasDragged = true;
        drag.li.classList.add('dragged');
    }
    if (hasDragged) {
        mark(dayAt(event.clientX, event.clientY));
    }
});
const letGo = () => {
    drag?.li.classList.remove('dragged');
    mark(null);
    drag = null;
};
document.addEventListener('pointerup', (event) => {
    if (drag && hasDragged) {
        drop(event);
    }
    letGo();
});
document.addEventListener('pointercancel', letGo);
document.addEventListener('keydown', (event) => {
    const isTyping = event.target.matches('input, textarea, select');
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z' && !isTyping) {
        const button = document.querySelector(event.shiftKey ? '[data-redo]' : '[data-undo]');
        if (button && !button.disabled) {
            event.preventDefault();
            button.click();
        }
    }
    if (event.key === 'Escape') {
        letGo();
    }
});
const before = sessionStorage.getItem('plan-place');
if (before !== null) {
    sessionStorage.removeItem('plan-place');
    window.scrollTo(0, Number(before));
}
