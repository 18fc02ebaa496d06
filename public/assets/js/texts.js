// The texts that scripts show, in the language of the page: looked up by their English. A language that has no file
// of its own is answered in English.
const { default: texts } = await import(`../texts/${document.documentElement.lang}.js`).catch(() => ({ default: {} }));

/** A text with its values put in: t('%1% missing', 14). */
export const t = (english, ...values) =>
    values.reduce((text, value, i) => text.replaceAll(`%${i + 1}%`, value), texts[english] ?? english);
