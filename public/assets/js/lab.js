// The pose lab: controls in, answers of the server drawn. Every degree shown is the server's.
import { draw } from './figure.js';

const WAIT = 30;
const NAMES = { rotation: 'Rotation', abduction: 'Abduction', flexion: 'Flexion', kneeFlexion: 'Knee flexion' };
const PROPS = {
    seat: 'Seat',
    kneeHeight: 'Knee block',
    ankleHeight: 'Ankle block',
    hipHeight: 'Hip block',
    shinAngle: 'Shin slanted',
    heelDistance: 'Heels out',
    pelvicTilt: 'Pelvis tucked',
    rounding: 'Back rounded',
};
const ANGLES = ['shinAngle', 'pelvicTilt', 'rounding'];
const SOURCES = { memory: 'a published norm, from memory', own: "this product's own" };

const form = document.querySelector('form.lab');
const select = form.querySelector('#lab-posture');
const controls = form.querySelector('[data-controls]:not(option)');
const sentence = document.querySelector('[data-sentence]');
const figure = form.querySelector('.lab-show > .leg-figure');
const held = document.querySelector('[data-held]');
let given = JSON.parse(form.dataset.values);
let answer = null;
let kept = null;
let timer = 0;
let request = null;

const element = (name, text = '', className = '') => {
    const made = document.createElement(name);
    made.textContent = text;
    if (className) {
        made.className = className;
    }
    return made;
};

const side = () => form.querySelector('[name="lab-side"]:checked').value;
const signed = (value, digits = 0) => {
    const text = Math.abs(value).toFixed(digits);
    const sign = Number(text) === 0 ? '' : value < 0 ? '−' : '+';
    return sign + text;
};
const unit = (prop) => (ANGLES.includes(prop) ? '°' : ' cm');

const parse = (text) => {
    const number = Number(text.trim().replace(',', '.'));
    return text.trim() !== '' && Number.isFinite(number) ? number : null;
};

const makeControl = ({ name, label, unit: sign, least, most, start, step }) => {
    const box = element('div', '', 'control');
    const title = element('label', `${label} (${sign === 'cm' ? 'cm' : 'degrees'})`);
    const number = element('input', '', 'input figure small-figure');
    const range = element('input');
    const value = Number(given[name] ?? start);
    number.id = `lab-${name}`;
    number.name = `values[${name}]`;
    number.inputMode = 'decimal';
    number.autocomplete = 'off';
    number.value = String(value);
    title.htmlFor = number.id;
    Object.assign(range, { type: 'range', min: least, max: most, step, value });
    range.setAttribute('aria-label', `${label}, slider`);
    const fault = element('p', '', 'fault');
    fault.hidden = true;
    fault.id = `lab-${name}-fault`;
    range.addEventListener('input', () => {
        number.value = range.value;
        number.dispatchEvent(new Event('change'));
    });
    const check = () => {
        const typed = parse(number.value);
        const wrong = typed === null || typed < least || typed > most;
        fault.textContent = wrong ? `From ${least} to ${most} ${sign === 'cm' ? 'cm' : 'degrees'}.` : '';
        fault.hidden = !wrong;
        number.setAttribute('aria-invalid', String(wrong));
        if (wrong) {
            number.setAttribute('aria-describedby', fault.id);
        } else {
            number.removeAttribute('aria-describedby');
            range.value = String(typed);
        }
    };
    number.addEventListener('input', check);
    number.addEventListener('change', check);
    box.append(title, number, range, fault);
    return box;
};

const makeControls = () => {
    const list = JSON.parse(select.selectedOptions[0].dataset.controls);
    controls.replaceChildren(...list.map(makeControl));
};

// A dial from 0° at the left over the top to 180° at the right: what is there, what is asked, what is missing.
const NS = 'http://www.w3.org/2000/svg';
const point = (degrees, radius) => {
    const a = Math.PI - (Math.max(0, Math.min(180, degrees)) * Math.PI) / 180;
    return [50 + radius * Math.cos(a), 50 - radius * Math.sin(a)].map((v) => v.toFixed(2));
};
const arc = (from, to) => `M${point(from, 42)}A42 42 0 0 1 ${point(to, 42)}`;
const part = (svg, className, d) => {
    const path = document.createElementNS(NS, 'path');
    path.setAttribute('class', className);
    path.setAttribute('d', d);
    svg.append(path);
};

const dial = (name, { asked, has, standIn }) => {
    const box = element('div', '', 'dial');
    const svg = document.createElementNS(NS, 'svg');
    svg.setAttribute('viewBox', '0 0 100 54');
    svg.setAttribute('aria-hidden', 'true');
    part(svg, 'scale', arc(0, 180));
    if (has !== null) {
        part(svg, standIn ? 'there stand-in' : 'there', arc(0, has));
        if (asked > has) {
            part(svg, 'missing', arc(has, asked));
        }
    }
    part(svg, 'asked', `M${point(asked, 34)}L${point(asked, 50)}`);
    box.append(svg, element('strong', name), element('div', `asks ${asked.toFixed(0)}°`, 'figures small'));
    if (has !== null) {
        box.append(
            element(
                'div',
                asked > has ? `${(asked - has).toFixed(0)}° missing` : `${(has - asked).toFixed(0)}° to spare`,
                asked > has ? 'missing-text small' : 'small',
            ),
        );
    }
    return box;
};

const table = (caption, heads, rows) => {
    const made = element('table', '', 'plain');
    made.append(element('caption', caption, 'unseen'));
    const head = element('tr');
    heads.forEach((text) => {
        const th = element('th', text);
        th.scope = 'col';
        head.append(th);
    });
    const thead = element('thead');
    thead.append(head);
    const body = element('tbody');
    rows.forEach(([first, ...cells]) => {
        const row = element('tr');
        const th = element('th', first);
        th.scope = 'row';
        row.append(
            th,
            ...cells.map((cell) => {
                const td = element('td');
                td.append(...[cell].flat().map((text, i) => element('span', text, i === 0 ? 'figures' : 'soft small')));
                return td;
            }),
        );
        body.append(row);
    });
    made.append(thead, body);
    return made;
};

const sentenceOf = ({ components, atKnee, knee, strap, conditioning }) => {
    const missing = Object.entries(components).filter(([, { asked, has }]) => asked > has);
    const parts = [];
    if (missing.length === 0) {
        parts.push('Nothing is missing here.');
    } else {
        parts.push(
            `Missing: ${missing.map(([name, { asked, has }]) => `${(asked - has).toFixed(0)}° of ${NAMES[name].toLowerCase()}`).join(', ')}.`,
        );
    }
    if (atKnee > 0) {
        parts.push(`Drawn into place, ${atKnee.toFixed(0)}° would come from the knee.`);
    }
    if (knee?.lowest !== null && knee?.lowest !== undefined) {
        parts.push(
            `The knee may come down to ${knee.lowest.toFixed(1)} cm; ${knee.limiter === 'floor' ? 'the floor' : NAMES[knee.limiter].toLowerCase()} sets that.`,
        );
        if (knee.ratio > 1.05 && knee.proportion > 0) {
            parts.push(`${knee.proportion.toFixed(1)} cm of it come from a long shin.`);
        }
    } else if (knee) {
        const ways = [
            knee.tuck === null ? '' : `tucks by ${knee.tuck.toFixed(0)}°`,
            knee.seat === null ? '' : `sits ${knee.seat.toFixed(1)} cm high`,
        ].filter(Boolean);
        parts.push(
            `No knee height fits with an upright pelvis${ways.length ? `, unless it ${ways.join(' or ')}` : ''}.`,
        );
    }
    if (strap !== null) {
        parts.push(`Strap: ${strap.toFixed(0)} cm.`);
    }
    if (conditioning) {
        parts.push(
            `So tightly folded a knee reads the hip poorly${conditioning.betterHeels === null ? '.' : `; heels at ${conditioning.betterHeels.toFixed(0)} cm tell more.`}`,
        );
    }
    return parts.join(' ');
};

const sceneOf = ({ figure: drawn }, which) => {
    const other = which === 'left' ? 'right' : 'left';
    return { seat: drawn.seat, torso: drawn.torso, main: which, legs: { [which]: drawn.leg, [other]: drawn.other } };
};

const showProps = ({ props, advice, blankets, components }) => {
    const target = document.querySelector('[data-props]');
    const columns = Object.keys(components);
    if (props.length === 0) {
        target.replaceChildren(element('p', 'This posture has no prop to change.', 'soft'));
        return;
    }
    const rows = props.map(({ prop, step, change }) => [
        `${PROPS[prop]} ${signed(step)}${unit(prop)}`,
        ...columns.map((name) => `${signed(change[name])}°`),
    ]);
    const needs = element('ul');
    advice.forEach(({ prop, value }) => {
        const text =
            value === null
                ? `${PROPS[prop]}: alone it does not close every margin.`
                : `${PROPS[prop]}: ${value.toFixed(1)}${unit(prop)} closes every margin, with the noise to spare.`;
        needs.append(element('li', text));
    });
    const parts = [
        table('Change of what is asked, by prop', ['Change', ...columns.map((name) => NAMES[name])], rows),
        element('h3', 'The least that is enough'),
        needs,
    ];
    if (advice.length > 0 && advice.every(({ value }) => value === null)) {
        parts.push(element('p', 'No single prop is enough here: choose an easier form.', 'note caution'));
    }
    if (blankets.some(({ flexion }) => Math.abs(flexion ?? 0) >= 0.05)) {
        parts.push(
            element('h3', 'Blanket by blanket, flexion'),
            element(
                'p',
                blankets.map(({ flexion }, i) => `${i + 1}: ${signed(flexion ?? 0, 1)}°`).join('   '),
                'figures',
            ),
        );
    }
    target.replaceChildren(...parts);
};

const show = () => {
    if (answer.error) {
        sentence.textContent = answer.error.message;
        return;
    }
    sentence.textContent = sentenceOf(answer);
    draw(figure, sceneOf(answer, side()));
    const dials = Object.entries(answer.components).map(([name, component]) => dial(NAMES[name], component));
    if (answer.back !== null) {
        dials.push(dial('Back', { asked: answer.back, has: null, standIn: false }));
    }
    document.querySelector('[data-dials]').replaceChildren(...dials);
    const heads = ['', 'Asked', 'There', 'Difference'];
    const rows = Object.entries(answer.components).map(
        ([name, { asked, has, standIn, standInSource, difference, error }]) => [
            NAMES[name],
            `${asked.toFixed(0)}°`,
            standIn ? [`${has.toFixed(0)}°`, ` stand-in: ${SOURCES[standInSource]}`] : `≥ ${has.toFixed(0)}°`,
            `${signed(difference)}° ${error === null ? '' : `± ${error.toFixed(0)}°`}`,
            ...(kept
                ? [kept.components[name] ? `${signed(difference - kept.components[name].difference)}°` : '–']
                : []),
        ],
    );
    document
        .querySelector('[data-table]')
        .replaceChildren(
            table('What is asked and what is there', kept ? [...heads, 'Against the held one'] : heads, rows),
        );
    document.querySelector('[data-method]').textContent =
        answer.method === 'sampled'
            ? '± is one standard deviation, sampled: the chain bends too much here for a straight line.'
            : '± is one standard deviation, first order; what capacity and demand share of the body has cancelled.';
    showProps(answer);
};

const ask = async () => {
    request?.abort();
    request = new AbortController();
    const values = {};
    for (const input of controls.querySelectorAll('input[name]')) {
        if (input.getAttribute('aria-invalid') === 'true') {
            sentence.textContent = 'One number is out of its range; it is marked beside the field.';
            return;
        }
        values[input.name.slice('values['.length, -1)] = parse(input.value);
    }
    try {
        const response = await fetch(form.dataset.answer.replace('SIDE', side()), {
            method: 'POST',
            signal: request.signal,
            headers: { 'Content-Type': 'application/json', 'X-Token': form.dataset.token },
            body: JSON.stringify({
                posture: select.value,
                values,
                blanket: parse(form.querySelector('#lab-blanket').value) ?? undefined,
            }),
        });
        if (!response.ok || response.redirected) {
            throw new Error(String(response.status));
        }
        answer = await response.json();
        requestAnimationFrame(show);
    } catch (error) {
        if (error.name !== 'AbortError') {
            sentence.textContent = 'The server cannot be reached just now; the set-up is still here.';
        }
    }
};

const soon = () => {
    clearTimeout(timer);
    timer = setTimeout(ask, WAIT);
};

select.addEventListener('change', () => {
    given = {};
    makeControls();
});
form.addEventListener('input', soon);
form.addEventListener('change', () => {
    form.action = form.dataset.keep.replace('SIDE', side());
    soon();
});
document.querySelector('[data-compare]').addEventListener('click', () => {
    if (answer && !answer.error) {
        kept = answer;
        held.hidden = false;
        document.querySelector('[data-held-name]').textContent = `${select.selectedOptions[0].textContent}, ${side()}`;
        draw(document.querySelector('[data-held-figure]'), sceneOf(kept, side()));
        show();
    }
});
document.querySelector('[data-drop]').addEventListener('click', () => {
    kept = null;
    held.hidden = true;
    show();
});

makeControls();
ask();
