// The test bench: shows what the numbers come to while they are typed, and ties the bench's tools
// together. The server computes; this asks it.
import { drawInto } from './picture.js';
import { keepDraft } from './draft.js';
import { listenToKeys } from './keys.js';
import { listenToInclinometer } from './inclinometer.js';
import { measureOnPicture } from './landmarks.js';
import { t } from './texts.js';

const WAIT = 150;
const NAMES = {
    rotation: t('Rotation'),
    abduction: t('Abduction'),
    flexion: t('Flexion'),
    kneeFlexion: t('Knee flexion'),
    adduction: t('Crossing over'),
    'straight-abduction': t('Abduction, legs straight'),
    'internal-rotation': t('Inward turn'),
    extension: t('Hip extension'),
    hamstrings: t('Hamstrings'),
    quadriceps: t('Front of the thigh'),
    'spine-extension': t('Back bend, hands at'),
    'spine-rotation': t('Turn of the spine'),
    'side-bend': t('Side bend'),
    'shoulder-flexion': t('Arms overhead'),
    'shoulder-reach': t('Gap behind the back'),
    balance: t('Balance'),
    strength: t('Strength'),
};
const UNITS = { degrees: '°', cm: t(' cm'), seconds: t(' s') };
const GATES = { 'not-now': t('Not now'), supported: t('Lying or supported'), 'may-try': t('May be tried') };

const form = document.querySelector('form[data-bench]');
const figure = document.querySelector('[data-drawing]');
const announce = document.querySelector('[data-announce]');
let timer = 0;
let latest = 0;

const paragraph = (text, className = '') => {
    const p = document.createElement('p');
    p.textContent = text;
    p.className = className;
    return p;
};

const shown = ({ ability, value, unit, sd, atLeast }) => {
    const p = paragraph(`${NAMES[ability] ?? ability} `);
    const figures = document.createElement('span');
    figures.className = 'figures';
    const digits = unit === 'cm' ? 1 : 0;
    const error = sd === null ? '' : ` ± ${sd.toFixed(digits)}${UNITS[unit]}`;
    figures.textContent = `${atLeast ? '≥ ' : ''}${value.toFixed(digits)}${UNITS[unit]}${error}`;
    p.append(figures);
    return p;
};

const lines = (answer) => {
    const list = answer.shows.map(shown);
    if (answer.shows.length === 0) {
        list.push(paragraph(t('Written down; no angle rests on it.'), 'soft'));
    }
    if (!answer.clean) {
        list.push(paragraph(t('Compensated or painful: a lower bound, not a capacity.'), 'fault'));
    }
    if (answer.measureAgain) {
        list.push(paragraph(t('The trials are %1% apart: measure a third time.', answer.range.toFixed(1)), 'fault'));
    } else if (answer.trials > 1) {
        list.push(paragraph(t('Spread of %1% trials: %2%', answer.trials, answer.range.toFixed(1)), 'soft'));
    }
    if (answer.gate) {
        list.push(paragraph(GATES[answer.gate], 'soft'));
    }
    if (answer.conditioning) {
        const { betterHeels } = answer.conditioning;
        const better =
            betterHeels === null
                ? ''
                : ` ${t('A second reading with the heels at %1% cm tells more.', betterHeels.toFixed(0))}`;
        list.push(paragraph(t('So tightly folded a knee reads the hip poorly.') + better, 'soft'));
    }
    if (answer.stop) {
        list.push(paragraph(t('Stop sign: end this test, and offer the gentler form.'), 'fault'));
    }
    return list;
};

const show = (side, answer) => {
    const target = document.querySelector(`[data-shows="${side}"]`);
    if (!answer) {
        const title = t(side === 'left' ? 'Left' : 'Right');
        target.replaceChildren(paragraph(t('%1%: nothing read yet', title), 'soft'));
    } else if (answer.error) {
        target.replaceChildren(paragraph(answer.error.message, 'fault'));
    } else {
        target.replaceChildren(...lines(answer));
    }
};

const ask = async () => {
    latest += 1;
    const asked = latest;
    try {
        const response = await fetch(form.dataset.preview, {
            method: 'POST',
            headers: { 'X-Token': form.dataset.token },
            body: new FormData(form),
        });
        if (!response.ok || response.redirected) {
            throw new Error(String(response.status));
        }
        const answer = await response.json();
        if (asked !== latest) {
            return;
        }
        show('left', answer.left);
        show('right', answer.right);
        document
            .querySelector('.stop-note')
            .classList.toggle('stopped', Boolean(answer.left?.stop || answer.right?.stop));
        if (answer.picture) {
            drawInto(figure, answer.picture);
        }
        announce.textContent = '';
        announce.className = 'unseen';
    } catch {
        announce.textContent = t('The angles cannot be computed just now; the numbers typed are still here.');
        announce.className = 'note caution';
    }
};

const soon = () => {
    clearTimeout(timer);
    timer = setTimeout(ask, WAIT);
};

const showUnits = () => {
    const unit = form.elements['bench[unit]']?.value ?? 'cm';
    for (const element of form.querySelectorAll('[data-unit-of="cm"]')) {
        element.textContent = unit;
    }
};

if (form) {
    keepDraft(form, () => {
        showUnits();
        soon();
    });
    const keys = listenToKeys(form);
    listenToInclinometer(form, keys);
    measureOnPicture(form, keys);
    form.addEventListener('input', () => {
        showUnits();
        soon();
    });
    showUnits();
    ask();
}
