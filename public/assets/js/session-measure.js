// One number, read before the work and after it.
import { number, t } from './texts.js';

const DECIMAL = /^\d{1,3}([.,]\d)?$/;

const typed = (input) => (DECIMAL.test(input.value.trim()) ? Number(input.value.trim().replace(',', '.')) : null);
const isWrong = (input) => input.value.trim() && typed(input) === null;

export const measureOf = (root, noise, say) => {
    const readings = (when) => [...root.querySelectorAll(`[data-${when}-reading]`)];
    // The mean of what was read; nothing where nothing was.
    const mean = (when) => {
        const read = readings(when)
            .map(typed)
            .filter((one) => one !== null);
        return read.length > 0 ? read.reduce((sum, one) => sum + one, 0) / read.length : null;
    };
    for (const input of [...readings('before'), ...readings('after')]) {
        input.addEventListener('input', () => {
            const [first, second] = [mean('before'), mean('after')];
            if (first === null || second === null) {
                say('');
                return;
            }
            const numbers = { cm: number(second - first, 1), error: number(noise, 1) };
            say(Math.abs(second - first) > noise ? t('session.changed', numbers) : t('session.unchanged', numbers));
        });
    }

    return {
        mean,
        /** The first that is no number. */
        wrong: (...whens) => whens.flatMap(readings).find(isWrong),
    };
};
