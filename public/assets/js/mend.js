// Logs that wait on this device, to look at and to mend. Pain that was said of an item stays when the item is left out.
import { opened, sendMended } from './log-queue.js';
import { sideOf } from './session-log.js';
import { t } from './texts.js';

const place = document.querySelector('[data-logs]');
const names = JSON.parse(place.dataset.names);
const none = place.firstElementChild;

const element = (tag, properties, ...children) => {
    const made = Object.assign(document.createElement(tag), properties);
    made.append(...children);
    return made;
};
const words = ({ posture, drill, rung, side, holdReached, pain }) =>
    [
        `${names[drill] ?? names[posture] ?? posture} (${rung})`,
        sideOf({ side }) ?? side,
        holdReached ? t('log.held') : t('log.not_held'),
        ...(pain ? [t('log.pain', { level: pain.level })] : []),
    ].join(', ');

const mended = (body, on, leftOut) => ({
    ...body,
    on,
    items: body.items.filter((_, index) => !leftOut.has(index)),
    pains: [
        ...(body.pains ?? []),
        ...body.items
            .filter(({ pain }, index) => leftOut.has(index) && pain)
            .map(({ pain, side, posture, rung }) => ({ ...pain, side, posture, rung })),
    ],
});
const section = ({ id, refused, content }) => {
    const title = element('h2', { textContent: t('log.session', { day: content?.body.on ?? '?' }) });
    const why = element('p', { className: 'note caution', textContent: refused || t('log.unsent') });
    if (!content) {
        return element('section', {}, title, why, element('p', { textContent: t('log.unreadable') }));
    }
    const day = element('input', { className: 'input', type: 'date', id: `on-${id}`, value: content.body.on });
    const boxes = content.body.items.map((item) => {
        const box = element('input', { type: 'checkbox' });
        return {
            box,
            label: element(
                'label',
                { className: 'choice' },
                box,
                ' ',
                element('span', { textContent: t('log.leave_out', { what: words(item) }) }),
            ),
        };
    });
    const button = element('button', { className: 'button main', type: 'button', textContent: t('log.send') });
    button.addEventListener('click', async () => {
        const leftOut = new Set(boxes.flatMap(({ box }, index) => (box.checked ? [index] : [])));
        button.disabled = true;
        await sendMended({ ...content, body: mended(content.body, day.value || content.body.on, leftOut) });
        await show();
    });
    return element(
        'section',
        {},
        title,
        why,
        element(
            'div',
            { className: 'field' },
            element('label', { className: 'label', htmlFor: day.id, textContent: t('log.day') }),
            day,
        ),
        ...boxes.map(({ label }) => label),
        element('p', {}, content.body.note ?? ''),
        element('div', { className: 'actions' }, button),
    );
};
const show = async () => {
    const logs = await opened().catch(() => []);
    place.replaceChildren(...(logs.length > 0 ? logs.map(section) : [none]));
};
show();
