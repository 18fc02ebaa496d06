// A mark on a picture: a tap writes where it is into the two fields, in percent; the fields alone will do as well.
for (const picture of document.querySelectorAll('[data-asked-picture]')) {
    const form = picture.closest('section').querySelector('[data-answer]');
    const [x, y] = ['x', 'y'].map((name) => form?.querySelector(`[name="mark_${name}"]`));
    if (!x) {
        continue;
    }
    const svg = picture.parentElement.querySelector('svg');
    const draw = () => {
        svg.querySelector('[data-new]')?.remove();
        if (x.value === '' || y.value === '') {
            return;
        }
        const { width, height } = svg.viewBox.baseVal;
        const mark = document.createElementNS('http://www.w3.org/2000/svg', 'circle');
        mark.dataset.new = '';
        mark.setAttribute('cx', (Number(x.value) / 100) * width);
        mark.setAttribute('cy', (Number(y.value) / 100) * height);
        mark.setAttribute('r', width / 25);
        svg.append(mark);
    };
    picture.parentElement.addEventListener('click', (event) => {
        const { left, top, width, height } = picture.getBoundingClientRect();
        x.value = Math.round((100 * (event.clientX - left)) / width);
        y.value = Math.round((100 * (event.clientY - top)) / height);
        draw();
    });
    x.addEventListener('input', draw);
    y.addEventListener('input', draw);
    draw();
}
