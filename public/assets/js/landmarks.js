// Landmarks on a picture. It is drawn on this page and goes nowhere; the points go to the server,
// which turns them into heights and angles with their errors.
import { keepPicture, pointsOnPicture } from './points.js';
import { number, t } from './texts.js';

const POINTS = ['hip', 'knee', 'ankle', 'floorA', 'floorB', 'knownA', 'knownB'];
const NAMES = {
    kneeHeight: t('picture.kneeHeight'),
    ankleHeight: t('picture.ankleHeight'),
    hipHeight: t('picture.hipHeight'),
    hipToAnkle: t('picture.hipToAnkle'),
    shinAngle: t('picture.shinAngle'),
    thighAngle: t('picture.thighAngle'),
    kneeBend: t('picture.kneeBend'),
};
// Which of a test's numbers a measured one can stand for.
const FEEDS = {
    kneeHeight: ['kneeHeight'],
    ankleHeight: ['ankleHeight', 'heelHeight'],
    hipHeight: ['hipHeight'],
    hipToAnkle: ['gap'],
    shinAngle: ['angle'],
    thighAngle: ['angle'],
};
// The one test that reads the thigh's inclination; all others read the shin's.
const THIGH_TEST = 'thigh-hang';

export const measureOnPicture = (form, keys) => {
    const panel = document.querySelector('[data-picture]');
    if (!panel) {
        return;
    }
    const find = (name) => panel.querySelector(`[data-picture-${name}]`);
    const [canvas, answer, use, keep, known] = ['canvas', 'answer', 'use', 'keep', 'known'].map(find);
    let file = null;
    const offer = (measured) => {
        const buttons = [];
        const passedOver = form.dataset.bench === THIGH_TEST ? 'shinAngle' : 'thighAngle';
        for (const [name, { value, sd, unit }] of Object.entries(measured)) {
            if (name === passedOver) {
                continue;
            }
            const input = (FEEDS[name] ?? [])
                .map((measure) => keys.target(unit) && form.querySelector(`input[data-measure="${measure}"]`))
                .find(Boolean);
            if (!input) {
                continue;
            }
            const button = document.createElement('button');
            button.type = 'button';
            button.className = 'button';
            button.textContent = t('picture.take', {
                what: NAMES[name],
                value: `${number(value, 1)} ${unit === 'cm' ? 'cm' : '°'}`,
            });
            button.addEventListener('click', () => {
                const measure = input.dataset.measure;
                const empty = [...form.querySelectorAll(`input[data-measure="${measure}"]`)].find(
                    (i) => i.value === '',
                );
                if (!empty) {
                    return;
                }
                const inches = unit === 'cm' && form.elements['bench[unit]']?.value === 'in';
                keys.put(empty, (inches ? value / 2.54 : value).toFixed(inches ? 2 : 1));
                const errors = JSON.parse(form.elements['bench[errors]'].value || '{}');
                const [, trial, field] = empty.name.match(/\[(\d)\]\[(\w+)\]$/);
                errors[trial] = { ...errors[trial], [field]: Number(sd.toFixed(2)) };
                form.elements['bench[errors]'].value = JSON.stringify(errors);
                form.elements['bench[tool]'].value = 'photo';
                empty.focus();
            });
            buttons.push(button);
        }
        use.replaceChildren(...buttons);
    };
    async function ask() {
        const missing = POINTS.filter((name) => !points[name]);
        if (missing.length > 0) {
            answer.textContent = t('picture.marked', { count: POINTS.length - missing.length });
            return;
        }
        try {
            const response = await fetch(panel.dataset.measure, {
                method: 'POST',
                headers: { 'Content-Type': 'application/json', 'X-Token': form.dataset.token },
                body: JSON.stringify({
                    points,
                    known: Number(known.value.replace(',', '.')),
                    longerEdge: Math.max(canvas.width, canvas.height),
                }),
            });
            const { measured, error } = await response.json();
            if (error) {
                answer.textContent = error.message;
                use.replaceChildren();
                return;
            }
            answer.textContent = Object.entries(measured)
                .map(([name, { value, sd, unit }]) => {
                    const sign = unit === 'cm' ? ' cm' : '°';
                    return `${NAMES[name]} ${number(value, 1)}${sign} ± ${number(sd, 1)}${sign}`;
                })
                .join(' · ');
            offer(measured);
        } catch {
            answer.textContent = t('picture.offline');
        }
    }
    const marks = pointsOnPicture(panel, {
        lines: [
            ['hip', 'knee'],
            ['knee', 'ankle'],
            ['floorA', 'floorB'],
            ['knownA', 'knownB'],
        ],
        changed: ask,
        says(text) {
            answer.textContent = text;
            file = null;
        },
        shown(its) {
            file = its;
            keep.disabled = !file;
        },
    });
    const { points } = marks;
    known.addEventListener('input', marks.later);
    find('drawn').addEventListener('click', () => marks.load(panel.dataset.drawn));
    keep.addEventListener('click', () => {
        const body = new FormData();
        body.append('picture', file);
        body.append('points', JSON.stringify(marks.shares()));
        keepPicture({ address: panel.dataset.keep, token: form.dataset.token, body, says: answer, button: keep });
    });
};
