// A practitioner's own page: installable, and here for a week without a network.
import { hurting } from './log-queue.js';
import { untold, withhold } from './own-hold.js';
import { canKeep, dropWeek, forgetKey, hasKey, keepWeek, typed } from './own-store.js';
import { t } from './texts.js';

navigator.serviceWorker?.register(`/own-worker.js?v=${document.body.dataset.version}`, { scope: '/own' });

// The PIN opens what is kept on this device as well; the server is not asked for that.
for (const form of document.querySelectorAll('[data-pin-form]')) {
    form.addEventListener('submit', async (event) => {
        if (!canKeep() || form.dataset.typed) {
            return;
        }
        event.preventDefault();
        form.dataset.typed = 'yes';
        await typed(form.elements.pin.value);
        form.submit();
    });
}
document.querySelector('[data-shut]')?.addEventListener('submit', forgetKey);
// Words that open nothing any more, or a device that was shut: what was kept of the week goes.
if (document.querySelector('[data-door]')) {
    dropWeek();
}

// What hurt, and is not told yet: until the server has heard it nothing is begun here. What is held then is the
// server's to say.
const { owner } = document.body.dataset;
if (owner && hurting(owner)) {
    if (document.querySelector('[data-session]')) {
        window.location.replace('/own');
    }
    document.querySelector('main h1').before(withhold(document, untold()));
    document.addEventListener('logs', () => {
        if (!hurting(owner)) {
            window.location.replace('/own');
        }
    });
}

const place = document.querySelector('[data-kept-week]');
if (place && canKeep()) {
    const say = (text) => {
        place.textContent = text;
    };
    if (hasKey()) {
        const response = await fetch('/own/week').catch(() => null);
        if (response?.ok) {
            await keepWeek(await response.json());
            say(t('own.kept'));
        }
    } else {
        say(t('own.not_kept'));
    }
}
