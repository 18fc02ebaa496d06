// Where the tape goes: the line of the length whose field is being filled in.
const figures = document.querySelector('[data-measures]');
const lit = (field) => {
    const name = (field?.id ?? '').replace(/^.*_/, '').replace(/(Left|Right)$/, '');
    for (const tape of figures.querySelectorAll('[data-tape]')) {
        tape.classList.toggle('lit', tape.dataset.tape === name);
    }
};

if (figures) {
    document.addEventListener('focusin', (event) => lit(event.target));
}
