// Shows the angles and draws the legs while numbers are typed. The server computes; this asks it.
import { draw } from './figure.js';

const WAIT = 150;
const TOO_FAR_APART = 1.4;
const NAMES = { rotation: 'Rotation', abduction: 'Abduction', flexion: 'Flexion', kneeFlexion: 'Knee flexion' };
const GATES = { 'not-now': 'Not now', supported: 'Lying or supported', 'may-try': 'May be tried' };

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
    const title = side === 'left' ? 'Left' : 'Right';
    if (!answer) {
        target.replaceChildren(paragraph(`${title}: nothing read yet`, 'soft'));
        return;
    }
    if (answer.error) {
        target.replaceChildren(paragraph(answer.error.message, 'fault'));
        return;
    }
    const lines = Object.keys(NAMES).map((name) => angle(name, answer.angles[name]));
    lines.push(paragraph(GATES[answer.gate], 'soft'));
    if (answer.range > TOO_FAR_APART) {
        lines.push(paragraph(`The trials are ${answer.range.toFixed(1)} cm apart: measure a third time.`, 'fault'));
    }
    if (answer.conditioning) {
        const { betterHeels } = answer.conditioning;
        const better =
            betterHeels === null ? '' : ` A second reading with the heels at ${betterHeels.toFixed(0)} cm tells more.`;
        lines.push(paragraph(`So tightly folded a knee reads the hip poorly.${better}`, 'soft'));
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
        announce.textContent = 'The angles cannot be computed just now; the numbers typed are still here.';
        announce.className = 'note caution';
    }
};

form.addEventListener('input', () => {
    clearTimeout(timer);
    timer = setTimeout(ask, WAIT);
});
ask();
