// A sequence picked from the wall of figures: each that is ticked comes last; buttons, keys and dragging move it. What
// is sent is the order of the list, with how many minutes each takes. Without this script the ticked ones come in the
// order of the wall, and take as long as is usual.
import { t } from './texts.js';

const list = document.querySelector('[data-sequence]');
const boxes = new Map([...document.querySelectorAll('[data-wall] input')].map((box) => [box.value, box]));
const sum = document.querySelector('[data-sum]');
const USUAL = '5';
const nameOf = (id) => boxes.get(id).parentElement.textContent.trim();

const button = (label, does, act) => {
    const made = document.createElement('button');
    made.type = 'button';
    made.className = 'button';
    made.textContent = label;
    made.setAttribute('aria-label', does);
    made.addEventListener('click', act);
    return made;
};

const showSum = () => {
    const all = [...list.querySelectorAll('input[type="number"]')].map(({ value }) => Number(value) || 0);
    sum.hidden = all.length === 0;
    sum.textContent = t('class.sum', { count: all.reduce((a, b) => a + b, 0) });
};

const add = (id) => {
    const name = nameOf(id);
    const item = document.createElement('li');
    item.draggable = true;
    const words = document.createElement('span');
    words.textContent = name;
    const sent = document.createElement('input');
    sent.type = 'hidden';
    sent.name = 'postures[]';
    sent.value = id;
    const minutes = document.createElement('input');
    minutes.type = 'number';
    minutes.className = 'input minutes';
    minutes.name = `minutes[${id}]`;
    minutes.min = '1';
    minutes.max = list.dataset.most;
    minutes.value = boxes.get(id).dataset.minutes || USUAL;
    minutes.setAttribute('aria-label', t('class.minutes', { what: name }));
    minutes.addEventListener('input', () => {
        boxes.get(id).dataset.minutes = minutes.value;
        showSum();
    });
    item.append(
        words,
        sent,
        minutes,
        button('↑', t('sequence.up', { what: name }), ({ currentTarget }) => {
            if (item.previousElementSibling) {
                list.insertBefore(item, item.previousElementSibling);
                currentTarget.focus();
            }
        }),
        button('↓', t('sequence.down', { what: name }), ({ currentTarget }) => {
            if (item.nextElementSibling) {
                list.insertBefore(item, item.nextElementSibling.nextElementSibling);
                currentTarget.focus();
            }
        }),
        button('×', t('sequence.remove', { what: name }), () => {
            boxes.get(id).click();
            boxes.get(id).focus();
        }),
    );
    item.addEventListener('dragstart', () => item.classList.add('is-dragged'));
    item.addEventListener('dragend', () => item.classList.remove('is-dragged'));
    item.addEventListener('dragover', (event) => {
        const dragged = list.querySelector('.is-dragged');
        if (!dragged || dragged === item) {
            return;
        }
        event.preventDefault();
        const { top, height } = item.getBoundingClientRect();
        list.insertBefore(dragged, event.clientY < top + height / 2 ? item : item.nextElementSibling);
    });
    list.append(item);
    showSum();
};

for (const [id, box] of boxes) {
    box.removeAttribute('name');
    box.closest('li').querySelector('[data-plain]')?.remove();
    if (box.checked) {
        add(id);
    }
    box.addEventListener('change', () => {
        if (box.checked) {
            add(id);
        } else {
            list.querySelector(`input[value="${id}"]`)?.parentElement.remove();
            showSum();
        }
    });
}
