// Shows the angles and draws the legs while numbers are typed. The server computes; this asks it.
import { draw } from './figure.js';
import { t } from './texts.js';

const WAIT = 150;
const NAMES = {
    rotation: t('Rotation'),
    abduction: t('Abduction'),
    flexion: t('Flexion'),
    kneeFlexion: t('Knee flexion'),
};
const GATES = { 'not-now': t('Not now'), supported: t('Lying or supported'), 'may-try': t('May be tried') };

const form = document.querySelector('form[data-preview]');
const figure = document.querySelector('.leg-figure');
const announce = document.querySelector('[data-announce]');
let timer = 0;
let latest = 0;

const number = (name) => {
    const text = form.elements[`soles_together_form${name}`]?.value.trim().replace(',', '.') ?? '';
    return text !== '' && Number.isFinite(Number(text)) ? Number(text) : null;
};

const trials = (side) => {
    const read = [];
    for (let i = 0; i < 3; i += 1) {
        const kneeHeight = number(`[trials][${i}][${side}]`);
        const heelDistance = number(`[trials][${i}][heels]`);
        if (kneeHeight !== null && heelDistance !== null) {
            read.push({ kneeHeight, heelDistance });
        }
    }
    return read;
};

const paragraph = (text, className = '') => {
    const p = document.createElement('p');
    p.textContent = text;
    p.className = className;
    return p;
};

const angle = (name, { value, sd }) => {
    const p = paragraph(`${NAMES[name]} `);
    const figures = document.createElement('span');
    figures.className = 'figures';
    figures.textContent = `${value.toFixed(0)}°${sd === null ? '' : ` ± ${sd.toFixed(0)}°`}`;
    p.append(figures);
    return p;
};

const show = (side, answer) => {
    const target = document.querySelector(`[data-angles="${side}"]`);
    const title = t(side === 'left' ? 'Left' : 'Right');
    if (!answer) {
        target.replaceChildren(paragraph(t('%1%: nothing read yet', title), 'soft'));
        return;
    }
    if (answer.error) {
        target.replaceChildren(paragraph(answer.error.message, 'fault'));
        return;
    }
    const lines = Object.keys(NAMES).map((name) => angle(name, answer.angles[name]));
    lines.push(paragraph(GATES[answer.gate], 'soft'));
    if (answer.measureAgain) {
        lines.push(
            paragraph(t('The trials are %1% cm apart: measure a third time.', answer.range.toFixed(1)), 'fault'),
        );
    }
    if (answer.conditioning) {
        const { betterHeels } = answer.conditioning;
        const better =
            betterHeels === null
                ? ''
                : ` ${t('A second reading with the heels at %1% cm tells more.', betterHeels.toFixed(0))}`;
        lines.push(paragraph(t('So tightly folded a knee reads the hip poorly.') + better, 'soft'));
    }
    target.replaceChildren(...lines);
};

const ask = async () => {
    latest += 1;
    const asked = latest;
    const question = { seat: number('[seat]') ?? 0, left: trials('left'), right: trials('right') };
    try {
        const response = await fetch(form.dataset.preview, {
            method: 'POST',
            headers: { 'Content-Type': 'application/json', 'X-Token': form.dataset.token },
            body: JSON.stringify(question),
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
        draw(figure, {
            seat: question.seat,
            legs: { left: answer.left?.figure ?? null, right: answer.right?.figure ?? null },
        });
        announce.textContent = '';
    } catch {
        announce.textContent = t('The angles cannot be computed just now; the numbers typed are still here.');
        announce.className = 'note caution';
    }
};

form.addEventListener('input', () => {
    clearTimeout(timer);
    timer = setTimeout(ask, WAIT);
});
ask();
