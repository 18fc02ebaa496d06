// Where something was felt: what it is like is asked once there is a place, and what a wrong place means is said at
// once. Everything that is said came with the page; the server says it again when it is recorded.
const settle = (box) => {
    const place = box.querySelector('input[name$="[place]"]:checked');
    const kinds = box.querySelector('[data-felt-kinds]');
    kinds.hidden = !place?.value || place.value === 'nothing';
    if (kinds.hidden) {
        for (const kind of kinds.querySelectorAll('input')) {
            kind.checked = false;
        }
    }
    const says = box.querySelector('[data-felt-says]');
    says.textContent = place?.dataset.means ?? '';
    says.classList.toggle('is-wrong', Boolean(place?.closest('.chip-careful')));
};

document.addEventListener('change', ({ target }) => {
    const box = target.closest('[data-felt]');
    if (box) {
        settle(box);
    }
});

/** Of a box that has just come onto the page, too. */
export const settleFelt = (root) => root.querySelectorAll('[data-felt]').forEach(settle);
settleFelt(document);

/** What was tapped in it; nothing where no place was. */
export const feltIn = (box) => {
    const place = box?.querySelector('input[name$="[place]"]:checked')?.value;
    const kind = box?.querySelector('input[name$="[kind]"]:checked')?.value;
    return place ? { place, ...(kind ? { kind } : {}) } : null;
};
