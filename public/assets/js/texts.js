// The texts that scripts show, in the language of the page: looked up by their English.
const texts = JSON.parse(document.body.dataset.texts ?? '{}');

/** A text with its values put in: t('%1% missing', 14). */
export const t = (english, ...values) =>
    values.reduce((text, value, i) => text.replaceAll(`%${i + 1}%`, value), texts[english] ?? english);
