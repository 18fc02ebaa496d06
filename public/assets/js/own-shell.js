// The own page without a network: the PIN opens the week that was kept, and nothing leaves this device until there is
// one.
import { hurting, queue, sendAll } from './log-queue.js';
import { untold, withhold } from './own-hold.js';
import { hasKey, hasWeek, openWeek, typed } from './own-store.js';
import { t } from './texts.js';

const main = document.querySelector('main');
const door = document.querySelector('[data-shell-door]');
const fault = document.querySelector('[data-shell-fault]');
let week = null;

const note = (text) => {
    const made = document.createElement('p');
    made.className = 'note';
    made.textContent = text;
    return made;
};
const laid = (html) => {
    main.querySelector('[data-shell-page]').innerHTML = html;
    door.hidden = true;
    return main.querySelector('[data-shell-page]');
};
const today = () => new Intl.DateTimeFormat('sv-SE', { timeZone: week.zone }).format(new Date());

const showSession = async (name) => {
    const page = laid(week.sessions[name]);
    // Practised again, it is another log.
    page.querySelector('[data-session]').dataset.log = crypto.randomUUID();
    await import('./session.js');
};

const showHurts = () => {
    const page = laid(week.hurts);
    page.querySelector('form').addEventListener('submit', async (event) => {
        event.preventDefault();
        const form = event.target;
        const pain = {
            level: Number(form.elements.namedItem('pain[level]').value) || null,
            where: form.elements.namedItem('pain[place]').value,
            kind: form.elements.namedItem('pain[kind]').value,
            side: form.elements.namedItem('side').value,
        };
        await queue({
            owner: week.owner,
            key: week.key,
            address: '/own/log',
            body: { id: crypto.randomUUID(), on: today(), items: [], pains: [pain], soreAtNight: false, note: '' },
        });
        sendAll();
        show();
    });
};

const show = () => {
    document.body.dataset.owner = week.owner;
    document.dispatchEvent(new Event('logs'));
    const page = laid(week.page);
    page.prepend(note(t('own.as_of', { day: week.on })));
    for (const form of page.querySelectorAll('form')) {
        form.remove();
    }
    page.querySelector('[data-kept-week]')?.remove();
    page.querySelector('[data-measures]')?.remove();
    const isOver = today() > week.until;
    if (hurting(week.owner) || isOver) {
        // What hurts holds here as well, until the server has heard it and has planned anew.
        page.prepend(withhold(page, isOver ? t('own.over') : untold()));
    }
    for (const section of page.querySelectorAll('[data-on]')) {
        section.hidden = section.dataset.on < today();
        section.querySelector('[data-begin-session]')?.toggleAttribute('hidden', section.dataset.on !== today());
    }
};

main.addEventListener('click', (event) => {
    const link = event.target.closest('a[href]');
    if (!week || !link) {
        return;
    }
    const session = link.getAttribute('href').match(/^\/own\/sessions\/(\d+-\d+)$/);
    const isHurts = link.getAttribute('href') === '/own/hurts';
    if ((session && week.sessions[session[1]]) || isHurts) {
        event.preventDefault();
        if (isHurts) {
            showHurts();
        } else {
            showSession(session[1]);
        }
    } else if (link.getAttribute('href').startsWith('/own')) {
        event.preventDefault();
        window.location.reload();
    }
});

const open = async () => {
    week = await openWeek();
    if (week) {
        show();
    }
    return week !== null;
};
door.addEventListener('submit', async (event) => {
    event.preventDefault();
    await typed(door.elements.pin.value);
    fault.hidden = await open();
});
if (!hasWeek()) {
    door.hidden = true;
    main.querySelector('[data-shell-none]').hidden = false;
} else if (hasKey()) {
    await open();
}
// With a network again the page is the server's; nobody is torn out of a session, or of saying what hurts.
const back = async () => {
    const isThere = await fetch(document.body.dataset.tokens).then(
        () => true,
        () => false,
    );
    if (isThere) {
        await sendAll();
        if (!main.querySelector('[data-session], [data-shell-page] form')) {
            window.location.assign('/own');
        }
    }
};
window.addEventListener('online', back);
// It does not always say that it is there.
setInterval(back, 10_000);
