// A sequence picked from the wall of figures: each that is ticked comes last; buttons, keys and dragging move it. For a
// class the order of the list is sent, with how many minutes each takes; for a plan it is written into the form's own
// places. Without this script a class has the ticked ones in the order of the wall, and a plan its places.
import { t } from './texts.js';

const list = document.querySelector('[data-sequence]');
const boxes = new Map(
    [...document.querySelectorAll('[data-wall] input[type="checkbox"]')].map((box) => [box.value, box]),
);
const places = [...document.querySelectorAll('[data-places] select')];
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

// After each change: the sum of the minutes, or which place has which; no more are picked than there are places.
const settle = () => {
    const ids = [...list.children].map((item) => item.dataset.id);
    if (sum) {
        const all = [...list.querySelectorAll('input[type="number"]')].map(({ value }) => Number(value) || 0);
        sum.hidden = all.length === 0;
        sum.textContent = t('class.sum', { count: all.reduce((a, b) => a + b, 0) });
    }
    places.forEach((place, index) => {
        place.value = ids[index] ?? '';
    });
    if (places.length > 0) {
        for (const box of boxes.values()) {
            box.disabled = !box.checked && ids.length >= places.length;
        }
    }
};

const minutesOf = (id, name) => {
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
        settle();
    });
    const sent = document.createElement('input');
    sent.type = 'hidden';
    sent.name = 'postures[]';
    sent.value = id;
    return [sent, minutes];
};

// By mouse, pen or finger: the neighbours change places with what is dragged, which stays where the pointer holds it.
const letDrag = (handle, item) => {
    const isDragged = () => item.classList.contains('is-dragged');
    const middle = (of) => {
        const { top, height } = of.getBoundingClientRect();
        return top + height / 2;
    };
    handle.addEventListener('pointerdown', (event) => {
        handle.setPointerCapture(event.pointerId);
        item.classList.add('is-dragged');
    });
    handle.addEventListener('pointermove', ({ clientY }) => {
        const [before, after] = [item.previousElementSibling, item.nextElementSibling];
        if (isDragged() && before && clientY < middle(before)) {
            item.after(before);
        } else if (isDragged() && after && clientY > middle(after)) {
            item.before(after);
        }
    });
    handle.addEventListener('lostpointercapture', () => {
        item.classList.remove('is-dragged');
        settle();
    });
};

const add = (id) => {
    const name = nameOf(id);
    const item = document.createElement('li');
    item.dataset.id = id;
    const words = document.createElement('span');
    words.className = 'words';
    words.textContent = name;
    const move = (before, { currentTarget }) => {
        list.insertBefore(item, before);
        currentTarget.focus();
        settle();
    };
    const handle = document.createElement('span');
    handle.className = 'handle';
    handle.textContent = '≡';
    handle.setAttribute('aria-hidden', 'true');
    item.append(
        handle,
        words,
        ...(places.length > 0 ? [] : minutesOf(id, name)),
        button('↑', t('sequence.up', { what: name }), (event) => {
            if (item.previousElementSibling) {
                move(item.previousElementSibling, event);
            }
        }),
        button('↓', t('sequence.down', { what: name }), (event) => {
            if (item.nextElementSibling) {
                move(item.nextElementSibling.nextElementSibling, event);
            }
        }),
        button('×', t('sequence.remove', { what: name }), () => {
            boxes.get(id).click();
            boxes.get(id).focus();
        }),
    );
    letDrag(handle, item);
    list.append(item);
};

for (const [id, box] of boxes) {
    box.removeAttribute('name');
    box.closest('li').querySelector('[data-plain]')?.remove();
    box.addEventListener('change', () => {
        if (box.checked) {
            add(id);
        } else {
            [...list.children].find((item) => item.dataset.id === id)?.remove();
        }
        settle();
    });
}
const chosen =
    places.length > 0 ? places.map(({ value }) => value) : [...boxes.values()].map((box) => box.checked && box.value);
for (const id of chosen.filter((value) => boxes.has(value))) {
    boxes.get(id).checked = true;
    add(id);
}
if (places.length > 0) {
    document.querySelector('[data-places]').hidden = true;
    document.querySelector('[data-wall]').hidden = false;
}
settle();
