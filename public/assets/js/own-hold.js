// Where something keeps a practitioner from beginning: what hurt and is not told yet, or a week that is over.
import { t } from './texts.js';

/** What is said while it waits to be told. */
export const untold = () => t('own.untold');

/** Takes every way to begin off a page; answers the note that says why, for its place. */
export const withhold = (page, why) => {
    page.querySelectorAll('[data-begin-session]').forEach((link) => link.remove());
    const note = document.createElement('p');
    note.className = 'note caution';
    note.textContent = why;
    return note;
};
