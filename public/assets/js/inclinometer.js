// The live angle of the inclinometer. The server listens to the instrument and says when it has
// settled; a settled angle is caught, and the space key or the button takes it.
import { number, t } from './texts.js';

export const listenToInclinometer = (form, keys) => {
    const panel = document.querySelector('[data-inclinometer]');
    const start = document.querySelector('[data-live-start]');
    if (!panel || !start) {
        return;
    }
    const angle = panel.querySelector('[data-live-angle]');
    const state = panel.querySelector('[data-live-state]');
    const take = panel.querySelector('[data-live-take]');
    let source = null;
    let caught = null;
    let lost = false;

    const say = (text) => {
        if (state.textContent !== text) {
            state.textContent = text;
        }
    };
    const hear = ({ data }) => {
        const event = JSON.parse(data);
        if (event.state === 'lost') {
            lost = true;
            say(t('live.lost'));
            return;
        }
        if (event.state === 'garbled') {
            return;
        }
        lost = false;
        angle.textContent = `${number(event.angle, 1)}°`;
        if (event.steady !== null) {
            caught = event.steady;
            take.disabled = false;
            panel.classList.add('steady');
            say(t('live.steady', { degrees: number(caught, 1) }));
        } else {
            panel.classList.remove('steady');
            say(caught === null ? t('live.moving') : t('live.moving.last', { degrees: number(caught, 1) }));
        }
    };
    const stop = () => {
        source?.close();
        source = null;
        panel.hidden = true;
        start.hidden = false;
    };
    start.addEventListener('click', () => {
        panel.hidden = false;
        start.hidden = true;
        source = new EventSource(form.dataset.live);
        source.addEventListener('message', hear);
        source.addEventListener('error', () => {
            // The connection is renewed every so often; only one that stays away is worth a word.
            if (source?.readyState === EventSource.CLOSED) {
                say(t('live.lost'));
            }
        });
        take.focus();
    });
    panel.querySelector('[data-live-stop]').addEventListener('click', stop);
    const takeIt = () => {
        if (caught === null || panel.hidden) {
            return;
        }
        const input = keys.target('degrees');
        if (!input) {
            say(t('live.full'));
            return;
        }
        keys.put(input, caught.toFixed(1));
        const tool = form.elements['bench[tool]'];
        if (tool) {
            tool.value = 'inclinometer';
        }
        say(t('live.taken', { degrees: number(caught, 1) }));
        caught = null;
        take.disabled = true;
        if (!lost) {
            input.focus();
        }
    };
    take.addEventListener('click', takeIt);
    document.addEventListener('take-reading', takeIt);
    window.addEventListener('pagehide', stop);
};
