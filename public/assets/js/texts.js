// The texts that scripts show, in the language of the page, under short ids. A language that has no file of its own is
// answered in English.
const LANGUAGE = document.documentElement.lang || 'en';
// A place in it, such as "en-DE", says how numbers are written; "X" marks texts of its own.
const FILE = LANGUAGE.includes('-X') ? LANGUAGE : LANGUAGE.split('-')[0];
const { default: texts } = await import(`../texts/${FILE}.js`).catch(() => import('../texts/en.js'));
const plurals = new Intl.PluralRules(LANGUAGE);
const lists = new Intl.ListFormat(LANGUAGE, { type: 'disjunction' });

/** A text with its values put in, in the notation of ICU: {name}, and {count, plural, one {…} other {…}}. */
export const t = (id, values = {}) =>
    (texts[id] ?? id)
        .replace(/\{(\w+), plural, ((?:\w+ \{[^}]*\} ?)+)\}/g, (_, name, forms) => {
            const { [plurals.select(values[name])]: form, other } = Object.fromEntries(
                [...forms.matchAll(/(\w+) \{([^}]*)\}/g)].map(([, key, text]) => [key, text]),
            );
            return (form ?? other).replaceAll('#', values[name]);
        })
        .replace(/\{(\w+)\}/g, (_, name) => values[name]);

/** A number with so many decimals, in the way of the page's language. */
export const number = (value, digits) =>
    new Intl.NumberFormat(LANGUAGE, {
        minimumFractionDigits: digits,
        maximumFractionDigits: digits,
        useGrouping: false,
    }).format(value);

/** One or another: "a, b, or c". */
export const anyOf = (all) => lists.format(all);
