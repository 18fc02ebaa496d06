// The bench by keyboard: single keys work where a number is being typed or nothing is, and never in texts.
const SWITCH = 'keys';

export const listenToKeys = (form) => {
    const sheet = document.querySelector('[data-keys]');
    const allowed = sheet.querySelector('[data-keys-on]');
    allowed.checked = localStorage.getItem(SWITCH) !== 'off';
    allowed.addEventListener('change', () => localStorage.setItem(SWITCH, allowed.checked ? 'on' : 'off'));

    const numbers = () => [...form.querySelectorAll('input.figure')];
    let last = numbers()[0];
    const history = [];
    const before = new Map(numbers().map((input) => [input, input.value]));
    form.addEventListener('focusin', (event) => {
        if (event.target.matches('[data-side]')) {
            last = event.target;
        }
    });
    form.addEventListener('change', (event) => {
        if (before.has(event.target)) {
            history.push([event.target, before.get(event.target)]);
            before.set(event.target, event.target.value);
        }
    });

    const side = () => last?.dataset.side || 'left';
    const sideName = () => (side() === 'left' ? 'Left' : 'Right');
    const put = (input, value) => {
        input.value = value;
        input.dispatchEvent(new Event('input', { bubbles: true }));
        input.dispatchEvent(new Event('change', { bubbles: true }));
    };
    // From a number to the next in the order in which they are taken: trial by trial, side by side.
    const next = (from) => {
        const all = numbers();
        return all[all.indexOf(from) + 1] ?? form.querySelector('[type="submit"]');
    };
    const other = () => {
        const name = last?.name ?? '';
        const swapped = name.includes('_left') ? name.replace('_left', '_right') : name.replace('_right', '_left');
        return form.elements[swapped] ?? null;
    };
    const acts = {
        enter: () => next(document.activeElement)?.focus(),
        o: () => other()?.focus(),
        p: () => form.elements[`bench[pain${sideName()}][level]`]?.focus(),
        c: () => form.querySelector(`[name="bench[compensations${sideName()}][]"]`)?.focus(),
        u: () => {
            const step = history.pop();
            if (step) {
                const [input, value] = step;
                input.value = value;
                before.set(input, value);
                input.dispatchEvent(new Event('input', { bubbles: true }));
                input.focus();
            }
        },
        n: () => form.requestSubmit(),
        ' ': () => document.dispatchEvent(new Event('take-reading')),
        '?': () => sheet.showModal(),
    };
    document.addEventListener('keydown', (event) => {
        const target = event.target;
        if (event.ctrlKey || event.metaKey || event.altKey || sheet.open) {
            return;
        }
        const inNumber = target.matches?.('input.figure');
        if (event.key === 'Enter') {
            if (inNumber && numbers().includes(target)) {
                event.preventDefault();
                acts.enter();
            }
            return;
        }
        const act = acts[event.key.toLowerCase()];
        if (!act || !allowed.checked) {
            return;
        }
        const typing = target.matches?.('textarea, select, input:not(.figure, [type="checkbox"], [type="radio"])');
        // The space key presses buttons, ticks boxes and writes the space of 7 1/2.
        const spaceIsTaken =
            event.key === ' ' &&
            (target.matches?.('button, a, summary, canvas, [type="checkbox"], [type="radio"]') ||
                (inNumber && target.dataset.unit !== 'degrees'));
        if (typing || spaceIsTaken) {
            return;
        }
        event.preventDefault();
        act();
    });
    return {
        /** Where the next reading of a kind goes: the number in hand if it is empty, or the next empty one. */
        target: (unit) => {
            const fits = numbers().filter((input) => input.dataset.unit === unit);
            if (last && fits.includes(last) && last.value === '') {
                return last;
            }
            const mine = fits.filter((input) => input.value === '' && input.dataset.side === side());
            return mine[0] ?? fits.find((input) => input.value === '') ?? null;
        },
        put,
    };
};
