// A control of the lab: a number and its slider, each going with the other.
import { element } from './lab-parts.js';
import { t } from './texts.js';

export const parse = (text) => {
    const number = Number(text.trim().replace(',', '.'));
    return text.trim() !== '' && Number.isFinite(number) ? number : null;
};

export const makeControl = ({ name, label, unit: sign, least, most, start, step }, given) => {
    const box = element('div', '', 'control');
    const title = element('label', `${label} (${sign === 'cm' ? 'cm' : t('unit.degrees')})`);
    const number = element('input', '', 'input figure small-figure');
    const range = element('input');
    const value = Number(given ?? start);
    number.id = `lab-${name}`;
    number.name = `values[${name}]`;
    number.inputMode = 'decimal';
    number.autocomplete = 'off';
    number.value = String(value);
    title.htmlFor = number.id;
    Object.assign(range, { type: 'range', min: least, max: most, step, value });
    range.setAttribute('aria-label', t('lab.slider', { what: label }));
    const fault = element('p', '', 'fault');
    fault.hidden = true;
    fault.id = `lab-${name}-fault`;
    range.addEventListener('input', () => {
        number.value = range.value;
        number.dispatchEvent(new Event('change'));
    });
    const check = () => {
        const typed = parse(number.value);
        const wrong = typed === null || typed < least || typed > most;
        fault.textContent = wrong
            ? t('lab.range', { least, most, unit: sign === 'cm' ? 'cm' : t('unit.degrees') })
            : '';
        fault.hidden = !wrong;
        number.setAttribute('aria-invalid', String(wrong));
        if (wrong) {
            number.setAttribute('aria-describedby', fault.id);
        } else {
            number.removeAttribute('aria-describedby');
            range.value = String(typed);
        }
    };
    number.addEventListener('input', check);
    number.addEventListener('change', check);
    box.append(title, number, range, fault);
    return box;
};
