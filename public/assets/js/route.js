// Zoom and pan of the route's picture: by wheel, drag, two fingers, buttons and keys.
const svg = document.querySelector('[data-route]');
const STEP = 1.25;
const CLOSEST = 240;

if (svg) {
    const [, , width, height] = svg.getAttribute('viewBox').split(' ').map(Number);
    let view = { x: 0, y: 0, w: width, h: height };
    const fingers = new Map();

    const show = () => {
        view.w = Math.min(width * 1.2, Math.max(CLOSEST, view.w));
        view.h = (view.w * height) / width;
        view.x = Math.min(width - view.w / 4, Math.max(-view.w * 0.75, view.x));
        view.y = Math.min(height - view.h / 4, Math.max(-view.h * 0.75, view.y));
        svg.setAttribute('viewBox', `${view.x} ${view.y} ${view.w} ${view.h}`);
    };
    const zoom = (by, cx = view.x + view.w / 2, cy = view.y + view.h / 2) => {
        view = { x: cx - (cx - view.x) / by, y: cy - (cy - view.y) / by, w: view.w / by, h: view.h / by };
        show();
    };
    const pan = (dx, dy) => {
        view.x += dx;
        view.y += dy;
        show();
    };
    const all = () => {
        view = { x: 0, y: 0, w: width, h: height };
        show();
    };
    const scale = () => view.w / svg.getBoundingClientRect().width;

    for (const button of document.querySelectorAll('[data-zoom]')) {
        button.addEventListener('click', () => {
            ({ in: () => zoom(STEP), out: () => zoom(1 / STEP), all })[button.dataset.zoom]();
        });
    }
    svg.addEventListener('keydown', (event) => {
        const act = {
            '+': () => zoom(STEP),
            '=': () => zoom(STEP),
            '-': () => zoom(1 / STEP),
            0: all,
            ArrowLeft: () => pan(-view.w / 10, 0),
            ArrowRight: () => pan(view.w / 10, 0),
            ArrowUp: () => pan(0, -view.h / 10),
            ArrowDown: () => pan(0, view.h / 10),
        }[event.key];
        if (act && !event.ctrlKey && !event.metaKey) {
            event.preventDefault();
            act();
        }
    });
    svg.addEventListener('pointerdown', (event) => {
        fingers.set(event.pointerId, event);
        svg.setPointerCapture(event.pointerId);
    });
    svg.addEventListener('pointermove', (event) => {
        const before = fingers.get(event.pointerId);
        if (!before) {
            return;
        }
        if (fingers.size === 2) {
            const other = [...fingers.values()].find((finger) => finger.pointerId !== event.pointerId);
            const apart = (finger) => Math.hypot(finger.clientX - other.clientX, finger.clientY - other.clientY);
            zoom(apart(event) / Math.max(1, apart(before)));
        } else {
            pan((before.clientX - event.clientX) * scale(), (before.clientY - event.clientY) * scale());
        }
        fingers.set(event.pointerId, event);
    });
    for (const name of ['pointerup', 'pointercancel']) {
        svg.addEventListener(name, (event) => fingers.delete(event.pointerId));
    }
}
