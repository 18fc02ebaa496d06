// Landmarks on a picture. It is drawn on this page and goes nowhere; the points go to the server,
// which turns them into heights and angles with their errors.
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
const LARGEST = 8 * 1024 * 1024;
const CROSS = 9;

export const measureOnPicture = (form, keys) => {
    const panel = document.querySelector('[data-picture]');
    if (!panel) {
        return;
    }
    const find = (name) => panel.querySelector(`[data-picture-${name}]`);
    const [canvas, answer, use, keep, known] = ['canvas', 'answer', 'use', 'keep', 'known'].map(find);
    const context = canvas.getContext('2d');
    const points = {};
    let image = null;
    let file = null;
    let timer = 0;

    const chosen = () => panel.querySelector('[name="picture-point"]:checked').value;
    const paint = () => {
        context.clearRect(0, 0, canvas.width, canvas.height);
        if (image) {
            const share = Math.min(canvas.width / image.width, canvas.height / image.height);
            context.drawImage(image, 0, 0, image.width * share, image.height * share);
        }
        const style = getComputedStyle(document.documentElement);
        context.lineWidth = 2;
        for (const [name, { x, y }] of Object.entries(points)) {
            context.strokeStyle = style.getPropertyValue(name === chosen() ? '--accent' : '--ink');
            context.beginPath();
            context.moveTo(x - CROSS, y);
            context.lineTo(x + CROSS, y);
            context.moveTo(x, y - CROSS);
            context.lineTo(x, y + CROSS);
            context.stroke();
        }
        for (const [one, other] of [
            ['hip', 'knee'],
            ['knee', 'ankle'],
            ['floorA', 'floorB'],
            ['knownA', 'knownB'],
        ]) {
            if (points[one] && points[other]) {
                context.strokeStyle = style.getPropertyValue('--accent');
                context.beginPath();
                context.moveTo(points[one].x, points[one].y);
                context.lineTo(points[other].x, points[other].y);
                context.stroke();
            }
        }
    };
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
    const ask = async () => {
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
    };
    const set = (x, y) => {
        points[chosen()] = {
            x: Math.min(canvas.width, Math.max(0, x)),
            y: Math.min(canvas.height, Math.max(0, y)),
        };
        paint();
        clearTimeout(timer);
        timer = setTimeout(ask, 200);
    };
    canvas.addEventListener('click', (event) => {
        const box = canvas.getBoundingClientRect();
        set(
            ((event.clientX - box.left) * canvas.width) / box.width,
            ((event.clientY - box.top) * canvas.height) / box.height,
        );
        const left = POINTS.find((name) => !points[name]);
        if (left) {
            panel.querySelector(`[name="picture-point"][value="${left}"]`).checked = true;
        }
    });
    canvas.addEventListener('keydown', (event) => {
        const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
        if (way) {
            event.preventDefault();
            const at = points[chosen()] ?? { x: canvas.width / 2, y: canvas.height / 2 };
            const by = event.shiftKey ? 10 : 1;
            set(at.x + by * way[0], at.y + by * way[1]);
        }
    });
    panel.querySelector('[data-picture-points]').addEventListener('change', paint);
    known.addEventListener('input', () => {
        clearTimeout(timer);
        timer = setTimeout(ask, 200);
    });
    find('file').addEventListener('change', async (event) => {
        [file] = event.target.files;
        if (!file) {
            return;
        }
        if (!['image/jpeg', 'image/png'].includes(file.type) || file.size > LARGEST) {
            answer.textContent = t('picture.kind');
            file = null;
            return;
        }
        try {
            image = await createImageBitmap(file);
            keep.disabled = false;
            paint();
        } catch {
            answer.textContent = t('picture.broken');
            file = null;
        }
    });
    find('drawn').addEventListener('click', () => {
        const drawn = new Image();
        drawn.addEventListener('load', () => {
            image = drawn;
            file = null;
            keep.disabled = true;
            paint();
        });
        drawn.src = panel.dataset.drawn;
    });
    keep.addEventListener('click', async () => {
        const body = new FormData();
        body.append('picture', file);
        // Where the landmarks are, as shares of the picture: its lines are drawn again wherever it is shown.
        const share = Math.min(canvas.width / image.width, canvas.height / image.height);
        const marked = Object.entries(points)
            .map(([name, { x, y }]) => [name, [x / (image.width * share), y / (image.height * share)]])
            .filter(([, at]) => Math.min(...at) >= 0 && Math.max(...at) <= 1);
        body.append('points', JSON.stringify(Object.fromEntries(marked)));
        try {
            const response = await fetch(panel.dataset.keep, {
                method: 'POST',
                headers: { 'X-Token': form.dataset.token },
                body,
            });
            const { error } = await response.json();
            answer.textContent = error ?? t('picture.kept');
            keep.disabled = !error;
        } catch {
            answer.textContent = t('picture.not_kept');
        }
    });
};
