// The texts that scripts show, in the language of the page, under short ids. A language that has no file of its own is
// answered in English.
const LANGUAGE = document.documentElement.lang || 'en';
const { default: texts } = await import(`../texts/${LANGUAGE}.js`).catch(() => import('../texts/en.js'));
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

/** One or another: "a, b, or c". */
export const anyOf = (all) => lists.format(all);
