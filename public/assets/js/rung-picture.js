// A picture of a rung: points go to the server, which says how its lines lie beside those of the drawing.
import { keepPicture, pointsOnPicture } from './points.js';
import { t } from './texts.js';

const panel = document.querySelector('[data-rung-picture]');
const find = (name) => panel.querySelector(`[data-picture-${name}]`);
const [answer, list, keep, view] = ['answer', 'lines', 'keep', 'view'].map(find);
const { token, keep: address, of } = panel.dataset;
let file = null;
let asked = 0;

const sent = () => {
    const body = new FormData();
    body.append('points', JSON.stringify(marks.shares()));
    body.append('view', view.value);
    for (const [name, value] of Object.entries(marks.size())) {
        body.append(name, value);
    }
    return body;
};
const read = async () => {
    asked += 1;
    const mine = asked;
    try {
        const response = await fetch(location.pathname, {
            method: 'POST',
            headers: { 'X-Token': token },
            body: sent(),
        });
        const { lines = [], error = '' } = await response.json();
        // An answer that a later one has overtaken says nothing any more.
        if (mine === asked) {
            answer.textContent = error;
            list.replaceChildren(
                ...lines.map((line) => Object.assign(document.createElement('li'), { textContent: line })),
            );
        }
    } catch {
        answer.textContent = t('picture.offline');
    }
};
const marks = pointsOnPicture(panel, {
    lines: [
        ['hip', 'knee'],
        ['knee', 'ankle'],
        ['ankle', 'toe'],
        ['hip', 'other-hip'],
        ['other-knee', 'other-ankle'],
        ['shoulder', 'other-shoulder'],
        ['pelvis', 'chest'],
        ['chest', 'neck'],
        ['levelA', 'levelB'],
    ],
    changed: read,
    says(text) {
        answer.textContent = text;
    },
    shown(its) {
        file = its;
        keep.disabled = false;
    },
});
if (of) {
    marks.load(panel.dataset.image);
}
view.addEventListener('change', () => {
    for (const one of panel.querySelectorAll('[data-view]')) {
        one.hidden = one.dataset.view !== view.value;
    }
    if (Object.keys(marks.points).length > 0) {
        marks.later();
    }
});
keep.addEventListener('click', () => {
    const body = sent();
    if (file) {
        body.append('picture', file);
    } else {
        body.append('of', of);
    }
    keepPicture({ address, token, body, says: answer, button: keep });
});
