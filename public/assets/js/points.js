// Points on a picture. The picture is drawn on this page and goes nowhere unless somebody keeps it; a point is put with
// a click or a tap, and moved with the arrow keys.
import { t } from './texts.js';

const LARGEST = 8 * 1024 * 1024;
const CROSS = 9;
const PAUSE = 200;

/**
 * @param panel holds the canvas, the file, and one radio button for each point, in the order in which they are marked
 * @param lines pairs of points between which a line is drawn
 * @param changed called a moment after the points have changed
 * @param says called with what is wrong with a file
 * @param shown called when a picture is shown: with its file, or null where it is a drawing or is kept already
 */
export const pointsOnPicture = (panel, { lines, changed, says, shown }) => {
    const canvas = panel.querySelector('[data-picture-canvas]');
    const context = canvas.getContext('2d');
    const choices = [...panel.querySelectorAll('[name="picture-point"]')];
    const points = {};
    let image = null;
    let timer = 0;

    const next = panel.querySelector('[data-picture-next]');

    const checked = () => choices.find((choice) => choice.checked);
    const chosen = () => checked().value;
    const share = () => Math.min(canvas.width / image.width, canvas.height / image.height);
    const line = (style, ...ends) => {
        context.strokeStyle = style;
        context.beginPath();
        for (const [i, [x, y]] of ends.entries()) {
            context[i % 2 ? 'lineTo' : 'moveTo'](x, y);
        }
        context.stroke();
    };
    const paint = () => {
        context.clearRect(0, 0, canvas.width, canvas.height);
        if (image) {
            context.drawImage(image, 0, 0, image.width * share(), image.height * share());
        }
        const style = getComputedStyle(document.documentElement);
        const [accent, ink] = ['--accent', '--ink'].map((name) => style.getPropertyValue(name));
        context.lineWidth = 2;
        // On a phone the names of the points have scrolled away by the time that the picture is there.
        if (next) {
            next.textContent = checked().parentElement.textContent.trim();
        }
        for (const [name, { x, y }] of Object.entries(points)) {
            line(name === chosen() ? accent : ink, [x - CROSS, y], [x + CROSS, y], [x, y - CROSS], [x, y + CROSS]);
        }
        for (const [one, other] of lines) {
            if (points[one] && points[other]) {
                line(accent, [points[one].x, points[one].y], [points[other].x, points[other].y]);
            }
        }
    };
    const later = () => {
        clearTimeout(timer);
        timer = setTimeout(changed, PAUSE);
    };
    const set = (x, y) => {
        points[chosen()] = {
            x: Math.min(canvas.width, Math.max(0, x)),
            y: Math.min(canvas.height, Math.max(0, y)),
        };
        paint();
        later();
    };
    const show = (picture, file) => {
        image = picture;
        paint();
        shown(file);
    };
    canvas.addEventListener('click', (event) => {
        const box = canvas.getBoundingClientRect();
        set(
            ((event.clientX - box.left) * canvas.width) / box.width,
            ((event.clientY - box.top) * canvas.height) / box.height,
        );
        const left = choices.find((choice) => !points[choice.value]);
        if (left) {
            left.checked = true;
            paint();
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
    panel.querySelector('[data-picture-file]').addEventListener('change', async (event) => {
        const [file] = event.target.files;
        if (!file) {
            return;
        }
        if (!['image/jpeg', 'image/png'].includes(file.type) || file.size > LARGEST) {
            says(t('picture.kind'));
            return;
        }
        try {
            show(await createImageBitmap(file), file);
        } catch {
            says(t('picture.broken'));
        }
    });

    return {
        points,
        later,
        /** A picture that the server has. */
        load(address) {
            const picture = new Image();
            picture.addEventListener('load', () => show(picture, null));
            picture.src = address;
        },
        /** Where the points are, as shares of the picture: its lines are drawn again wherever it is shown. */
        shares: () =>
            Object.fromEntries(
                Object.entries(points)
                    .map(([name, { x, y }]) => [name, [x / (image.width * share()), y / (image.height * share())]])
                    .filter(([, at]) => Math.min(...at) >= 0 && Math.max(...at) <= 1),
            ),
        size: () => ({ width: image ? image.width : canvas.width, height: image ? image.height : canvas.height }),
    };
};

/** As what the last one was sent: the same again is the same entry, anything else is another. */
let last = { sent: null, entry: null };
const entryOf = (body) => {
    const sent = JSON.stringify(
        [...body].map(([name, value]) => [name, value.name ?? value, value.size, value.lastModified]),
    );
    last = sent === last.sent ? last : { sent, entry: crypto.randomUUID?.() ?? '' };
    return last.entry;
};

/** Sends a picture to be kept with the record, and says in a place what came of it; what is kept is not sent again. */
export const keepPicture = async ({ address, token, body, says, button }) => {
    body.set('entry', entryOf(body));
    try {
        const response = await fetch(address, { method: 'POST', headers: { 'X-Token': token }, body });
        const { error } = await response.json();
        says.textContent = error ?? t('picture.kept');
        button.disabled = !error;
    } catch {
        says.textContent = t('picture.not_kept');
    }
};
