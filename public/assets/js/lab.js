// The pose lab: controls in, answers of the server drawn. Every degree shown is the server's.
import { makeControl, parse } from './lab-controls.js';
import { dial, element, table } from './lab-parts.js';
import { NAMES, PROPS, sentenceOf, signed, unit } from './lab-words.js';
import { drawInto } from './picture.js';
import { number, t } from './texts.js';

const WAIT = 30;
const SOURCES = { memory: t('lab.source.memory'), own: t('lab.source.own') };

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

const side = () => form.querySelector('[name="lab-side"]:checked').value;
const makeControls = () => {
    const list = JSON.parse(select.selectedOptions[0].dataset.controls);
    controls.replaceChildren(...list.map((control) => makeControl(control, given[control.name])));
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
        target.replaceChildren(element('p', t('lab.no_props'), 'soft'));
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
                ? t('lab.prop.not_enough', { prop: PROPS[prop] })
                : t('lab.prop.enough', { prop: PROPS[prop], value: number(value, 1) + unit(prop) });
        needs.append(element('li', text));
    });
    const parts = [
        table(t('lab.changes'), [t('lab.change'), ...columns.map((name) => NAMES[name])], rows),
        element('h3', t('lab.least')),
        needs,
    ];
    if (advice.length > 0 && advice.every(({ value }) => value === null)) {
        parts.push(element('p', t('lab.no_prop'), 'note caution'));
    }
    if (blankets.some(({ flexion }) => Math.abs(flexion ?? 0) >= 0.05)) {
        parts.push(
            element('h3', t('lab.blankets')),
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
    stopped.textContent = t('lab.held', { names: answer.held.join('; ') });
    show3d(figure, answer);
    const dials = Object.entries(answer.components).map(([name, component]) => dial(NAMES[name], component));
    if (answer.back !== null) {
        dials.push(dial(t('lab.back'), { asked: answer.back, has: null, standIn: false }));
    }
    document.querySelector('[data-dials]').replaceChildren(...dials);
    const heads = ['', t('lab.needed'), t('lab.available'), t('lab.difference')];
    const rows = Object.entries(answer.components).map(
        ([name, { asked, has, standIn, standInSource, difference, error }]) => [
            NAMES[name],
            `${number(asked, 0)}°`,
            standIn
                ? [`${number(has, 0)}°`, ` ${t('lab.stand_in', { source: SOURCES[standInSource] })}`]
                : `≥ ${number(has, 0)}°`,
            `${signed(difference)}° ${error === null ? '' : `± ${number(error, 0)}°`}`,
            ...(kept
                ? [kept.components[name] ? `${signed(difference - kept.components[name].difference)}°` : '–']
                : []),
        ],
    );
    document
        .querySelector('[data-table]')
        .replaceChildren(table(t('lab.table'), kept ? [...heads, t('lab.against')] : heads, rows));
    document.querySelector('[data-method]').textContent =
        answer.method === 'sampled' ? t('lab.error.sampled') : t('lab.error');
    showProps(answer);
};

const ask = async () => {
    request?.abort();
    request = new AbortController();
    const values = {};
    for (const input of controls.querySelectorAll('input[name]')) {
        if (input.getAttribute('aria-invalid') === 'true') {
            sentence.textContent = t('lab.out_of_range');
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
            sentence.textContent = t('lab.offline');
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
        document.querySelector('[data-held-name]').textContent = `${select.selectedOptions[0].textContent}, ${t(
            side() === 'left' ? 'side.left.short' : 'side.right.short',
        ).toLowerCase()}`;
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
