// What is written down at the end of a session: a form of what was done, and what it says.
import { feltIn } from './felt.js';
import { t } from './texts.js';

const SIDES = { left: t('side.left'), right: t('side.right'), both: t('side.both') };

/** On which side something is done, in words; a page that was kept says it as before. */
export const sideOf = ({ side, sideSaid }) => SIDES[sideSaid ?? side];

const tick = (index, name, text, checked) => {
    const label = document.createElement('label');
    label.className = 'choice';
    const input = document.createElement('input');
    input.type = 'checkbox';
    input.checked = checked;
    input.dataset.item = index;
    input.dataset.name = name;
    const span = document.createElement('span');
    span.textContent = text;
    label.append(input, ' ', span);
    return label;
};
const words = (index) => {
    const input = document.createElement('input');
    input.className = 'input';
    input.maxLength = 500;
    input.placeholder = t('session.note');
    input.setAttribute('aria-label', t('session.note'));
    input.dataset.item = index;
    input.dataset.name = 'note';
    return input;
};
const painLine = ({ level }) => {
    const line = document.createElement('p');
    line.className = 'fault';
    line.textContent = t('log.pain', { level });
    return line;
};

// Where it was felt is asked of what is deep, once for each side, at its last turn.
const isLastTurn = (items, done, index) => {
    const { posture, rung, side } = items[index];
    return ![...done.keys()].some(
        (other) =>
            other > index &&
            items[other].posture === posture &&
            items[other].rung === rung &&
            items[other].side === side,
    );
};
const feltOf = (items, done, index) => {
    const template = document.querySelector(`template[data-felt-of="${items[index].figure}"]`);
    const box = isLastTurn(items, done, index) && template?.content.cloneNode(true).querySelector('[data-felt]');
    if (!box) {
        return [];
    }
    for (const input of box.querySelectorAll('input')) {
        input.name = input.name.replace('felt', `felt-${index}`);
    }
    box.setAttribute('data-felt', String(index));
    return [box];
};

/** A group of fields for each item that was done, in the order of the session; done is by the item's place. */
export const writtenForm = (items, done) =>
    items
        .map((item, index) => ({ item, index }))
        .filter(({ index }) => done.has(index))
        .map(({ item, index }) => {
            const { holdReached, evenBreath, pain } = done.get(index);
            const box = document.createElement('fieldset');
            const legend = document.createElement('legend');
            legend.className = 'label';
            const which = item.tries ? `, ${t('log.try', { number: item.tries })}` : '';
            legend.textContent = `${item.name}: ${item.rungName}, ${sideOf(item).toLowerCase()}${which}`;
            box.append(
                legend,
                tick(index, 'holdReached', t('log.hold'), holdReached),
                tick(index, 'evenBreath', t('log.breath'), evenBreath),
                ...(item.props.length > 0 ? [tick(index, 'propsUsed', t('log.props'), true)] : []),
                ...item.compensations.map(({ id, text }) => tick(index, `compensation:${id}`, text, false)),
                ...feltOf(items, done, index),
                words(index),
                ...(pain ? [painLine(pain)] : []),
            );
            return box;
        });

/** What the form says, as the server takes it. */
export const written = (form, items, done) =>
    [...done].map(([index, { pain }]) => {
        const of = (name) => form.querySelector(`[data-item="${index}"][data-name="${name}"]`);
        const { posture, rung, side, compensations, drill } = items[index];
        const felt = feltIn(form.querySelector(`[data-felt="${index}"]`));
        return {
            ...(drill ? { drill } : {}),
            posture,
            rung,
            side,
            pain,
            ...(felt ? { felt } : {}),
            holdReached: of('holdReached').checked,
            evenBreath: of('evenBreath').checked,
            propsUsed: of('propsUsed')?.checked ?? false,
            note: of('note').value,
            compensations: compensations.map(({ id }) => id).filter((id) => of(`compensation:${id}`).checked),
        };
    });
