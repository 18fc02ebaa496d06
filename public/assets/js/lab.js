// The pose lab: controls in, answers of the server drawn. Every degree shown is the server's.
import { drawInto } from './picture.js';
import { t } from './texts.js';

const WAIT = 30;
const NAMES = {
    rotation: t('Rotation'),
    abduction: t('Abduction'),
    flexion: t('Flexion'),
    kneeFlexion: t('Knee flexion'),
};
const PROPS = {
    seat: t('Seat'),
    kneeHeight: t('Knee block'),
    ankleHeight: t('Ankle block'),
    hipHeight: t('Hip block'),
    shinAngle: t('Shin slanted'),
    heelDistance: t('Heels out'),
    pelvicTilt: t('Pelvis tucked'),
    rounding: t('Back rounded'),
};
const ANGLES = ['shinAngle', 'pelvicTilt', 'rounding'];
const SOURCES = { memory: t('a published norm, from memory'), own: t("this product's own") };

const form = document.querySelector('form.lab');
const select = form.querySelector('#lab-posture');
const controls = form.querySelector('[data-controls]:not(option)');
const sentence = document.querySelector('[data-sentence]');
const figure = form.querySelector('[data-drawing]');
const held = document.querySelector('[data-held]');
const stopped = document.querySelector('[data-stopped]');
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
    const title = element('label', `${t(label)} (${sign === 'cm' ? 'cm' : t('degrees')})`);
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
    range.setAttribute('aria-label', t('%1%, slider', t(label)));
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
        fault.textContent = wrong ? t('From %1% to %2% %3%.', least, most, sign === 'cm' ? 'cm' : t('degrees')) : '';
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
    box.append(svg, element('strong', name), element('div', t('asks %1%°', asked.toFixed(0)), 'figures small'));
    if (has !== null) {
        box.append(
            element(
                'div',
                asked > has
                    ? t('%1%° missing', (asked - has).toFixed(0))
                    : t('%1%° to spare', (has - asked).toFixed(0)),
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
        parts.push(t('Nothing is missing here.'));
    } else {
        parts.push(
            t(
                'Missing: %1%.',
                missing
                    .map(([name, { asked, has }]) =>
                        t('%1%° of %2%', (asked - has).toFixed(0), NAMES[name].toLowerCase()),
                    )
                    .join(', '),
            ),
        );
    }
    if (atKnee > 0) {
        parts.push(t('Drawn into place, %1%° would come from the knee.', atKnee.toFixed(0)));
    }
    if (knee?.lowest !== null && knee?.lowest !== undefined) {
        parts.push(
            t(
                'The knee may come down to %1% cm; %2% sets that.',
                knee.lowest.toFixed(1),
                knee.limiter === 'floor' ? t('the floor') : NAMES[knee.limiter].toLowerCase(),
            ),
        );
        if (knee.longShin && knee.proportion > 0) {
            parts.push(t('%1% cm of it come from a long shin.', knee.proportion.toFixed(1)));
        }
    } else if (knee) {
        const ways = [
            knee.tuck === null ? '' : t('tucks by %1%°', Math.ceil(knee.tuck)),
            knee.seat === null ? '' : t('sits %1% cm high', knee.seat.toFixed(1)),
        ].filter(Boolean);
        parts.push(
            ways.length
                ? t('No knee height fits with an upright pelvis, unless it %1%.', ways.join(t(' or ')))
                : t('No knee height fits with an upright pelvis.'),
        );
    }
    if (strap !== null) {
        parts.push(t('Strap: %1% cm.', strap.toFixed(0)));
    }
    if (conditioning) {
        parts.push(
            conditioning.betterHeels === null
                ? t('So tightly folded a knee reads the hip poorly.')
                : t(
                      'So tightly folded a knee reads the hip poorly; heels at %1% cm tell more.',
                      conditioning.betterHeels.toFixed(0),
                  ),
        );
    }
    return parts.join(' ');
};

// From where it is looked at: the view that was chosen, or the one that shows the set-up best.
const view = () => form.querySelector('[name="lab-view"]:checked')?.value || '';
const show3d = (place, { picture }) => {
    if (picture) {
        drawInto(place, picture);
    } else {
        place.replaceChildren();
    }
};

// What the server says of a set-up, with the question that it answers.
const fetchAnswer = async (question, address, signal) => {
    const response = await fetch(address, {
        method: 'POST',
        signal,
        headers: { 'Content-Type': 'application/json', 'X-Token': form.dataset.token },
        body: JSON.stringify(question),
    });
    if (!response.ok || response.redirected) {
        throw new Error(String(response.status));
    }
    return { ...(await response.json()), question, address };
};

const showProps = ({ props, advice, blankets, components }) => {
    const target = document.querySelector('[data-props]');
    const columns = Object.keys(components);
    if (props.length === 0) {
        target.replaceChildren(element('p', t('This posture has no prop to change.'), 'soft'));
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
                ? t('%1%: alone it does not close every margin.', PROPS[prop])
                : t(
                      '%1%: %2% closes every margin, with the noise to spare.',
                      PROPS[prop],
                      value.toFixed(1) + unit(prop),
                  );
        needs.append(element('li', text));
    });
    const parts = [
        table(t('Change of what is asked, by prop'), [t('Change'), ...columns.map((name) => NAMES[name])], rows),
        element('h3', t('The least that is enough')),
        needs,
    ];
    if (advice.length > 0 && advice.every(({ value }) => value === null)) {
        parts.push(element('p', t('No single prop is enough here: choose an easier form.'), 'note caution'));
    }
    if (blankets.some(({ flexion }) => Math.abs(flexion ?? 0) >= 0.05)) {
        parts.push(
            element('h3', t('Blanket by blanket, flexion')),
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
    stopped.hidden = answer.held.length === 0;
    stopped.textContent = t('Held on this side: %1%. To look at, not to practise.', answer.held.join('; '));
    show3d(figure, answer);
    const dials = Object.entries(answer.components).map(([name, component]) => dial(NAMES[name], component));
    if (answer.back !== null) {
        dials.push(dial(t('Back'), { asked: answer.back, has: null, standIn: false }));
    }
    document.querySelector('[data-dials]').replaceChildren(...dials);
    const heads = ['', t('Asked'), t('There'), t('Difference')];
    const rows = Object.entries(answer.components).map(
        ([name, { asked, has, standIn, standInSource, difference, error }]) => [
            NAMES[name],
            `${asked.toFixed(0)}°`,
            standIn ? [`${has.toFixed(0)}°`, ` ${t('stand-in: %1%', SOURCES[standInSource])}`] : `≥ ${has.toFixed(0)}°`,
            `${signed(difference)}° ${error === null ? '' : `± ${error.toFixed(0)}°`}`,
            ...(kept
                ? [kept.components[name] ? `${signed(difference - kept.components[name].difference)}°` : '–']
                : []),
        ],
    );
    document
        .querySelector('[data-table]')
        .replaceChildren(
            table(t('What is asked and what is there'), kept ? [...heads, t('Against the held one')] : heads, rows),
        );
    document.querySelector('[data-method]').textContent =
        answer.method === 'sampled'
            ? t('± is one standard deviation, sampled: the chain bends too much here for a straight line.')
            : t('± is one standard deviation, first order; what capacity and demand share of the body has cancelled.');
    showProps(answer);
};

const ask = async () => {
    request?.abort();
    request = new AbortController();
    const values = {};
    for (const input of controls.querySelectorAll('input[name]')) {
        if (input.getAttribute('aria-invalid') === 'true') {
            sentence.textContent = t('One number is out of its range; it is marked beside the field.');
            return;
        }
        values[input.name.slice('values['.length, -1)] = parse(input.value);
    }
    const question = {
        posture: select.value,
        values,
        blanket: parse(form.querySelector('#lab-blanket').value) ?? undefined,
        view: view(),
    };
    try {
        answer = await fetchAnswer(question, form.dataset.answer.replace('SIDE', side()), request.signal);
        requestAnimationFrame(show);
    } catch (error) {
        if (error.name !== 'AbortError') {
            sentence.textContent = t('The server cannot be reached just now; the set-up is still here.');
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
for (const choice of form.querySelectorAll('[name="lab-view"]')) {
    choice.addEventListener('change', async (event) => {
        event.stopPropagation();
        ask();
        if (kept) {
            // Only its picture is another one.
            const asked = view();
            const { picture } = await fetchAnswer({ ...kept.question, view: asked }, kept.address).catch(() => kept);
            // Turned on meanwhile, or let go, the older answer is none.
            if (kept && asked === view()) {
                kept = { ...kept, picture };
                show3d(document.querySelector('[data-held-figure]'), kept);
            }
        }
    });
    choice.addEventListener('input', (event) => event.stopPropagation());
}
form.addEventListener('input', soon);
form.addEventListener('change', () => {
    form.action = form.dataset.keep.replace('SIDE', side());
    soon();
});
document.querySelector('[data-compare]').addEventListener('click', () => {
    if (answer && !answer.error) {
        kept = answer;
        held.hidden = false;
        document.querySelector('[data-held-name]').textContent =
            `${select.selectedOptions[0].textContent}, ${t(side() === 'left' ? 'Left' : 'Right').toLowerCase()}`;
        show3d(document.querySelector('[data-held-figure]'), kept);
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
