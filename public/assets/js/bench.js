// The test bench: shows what the numbers come to while they are typed, and ties the bench's tools
// together. The server computes; this asks it.
import { drawInto } from './picture.js';
import { keepDraft } from './draft.js';
import { listenToKeys } from './keys.js';
import { listenToInclinometer } from './inclinometer.js';
import { measureOnPicture } from './landmarks.js';
import { number, t } from './texts.js';

const WAIT = 150;
const NAMES = {
    rotation: t('ability.rotation'),
    abduction: t('ability.abduction'),
    flexion: t('ability.flexion'),
    kneeFlexion: t('ability.kneeFlexion'),
    adduction: t('ability.adduction'),
    'straight-abduction': t('ability.straight-abduction'),
    'internal-rotation': t('ability.internal-rotation'),
    extension: t('ability.extension'),
    hamstrings: t('ability.hamstrings'),
    quadriceps: t('ability.quadriceps'),
    'spine-extension': t('ability.spine-extension'),
    'spine-rotation': t('ability.spine-rotation'),
    'side-bend': t('ability.side-bend'),
    'shoulder-flexion': t('ability.shoulder-flexion'),
    'shoulder-reach': t('ability.shoulder-reach'),
    balance: t('ability.balance'),
    strength: t('ability.strength'),
};
const UNITS = { degrees: '°', cm: '\u00a0cm', seconds: '\u00a0s' };
const GATES = { 'not-now': t('gate.not-now'), supported: t('gate.supported'), 'may-try': t('gate.may-try') };

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
    const error = sd === null ? '' : ` ± ${number(sd, digits)}${UNITS[unit]}`;
    figures.textContent = `${atLeast ? '≥ ' : ''}${number(value, digits)}${UNITS[unit]}${error}`;
    p.append(figures);
    return p;
};

const lines = (answer) => {
    const list = answer.shows.map(shown);
    if (answer.shows.length === 0) {
        list.push(paragraph(t('bench.no_angle'), 'soft'));
    }
    if (!answer.clean) {
        list.push(paragraph(t('bench.compensated'), 'fault'));
    }
    if (answer.measureAgain) {
        list.push(paragraph(t('bench.third', { range: number(answer.range, 1) }), 'fault'));
    } else if (answer.trials > 1) {
        list.push(paragraph(t('bench.spread', { count: answer.trials, range: number(answer.range, 1) }), 'soft'));
    }
    if (answer.gate) {
        list.push(paragraph(GATES[answer.gate], 'soft'));
    }
    if (answer.conditioning) {
        const { betterHeels } = answer.conditioning;
        const better = betterHeels === null ? '' : ` ${t('bench.heels', { cm: number(betterHeels, 0) })}`;
        list.push(paragraph(t('bench.tight') + better, 'soft'));
    }
    if (answer.stop) {
        list.push(paragraph(t('bench.stop'), 'fault'));
    }
    return list;
};

const show = (side, answer) => {
    const target = document.querySelector(`[data-shows="${side}"]`);
    if (!answer) {
        const title = t(side === 'left' ? 'side.left.short' : 'side.right.short');
        target.replaceChildren(paragraph(t('bench.nothing', { side: title }), 'soft'));
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
        announce.textContent = t('bench.offline');
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
