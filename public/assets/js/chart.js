// Pictures of months: a point is read by touch, mouse or arrow keys, and said below the picture.
const read = (chart) => {
    const marks = [...chart.querySelectorAll('[data-says]')].sort((a, b) => Number(a.dataset.x) - Number(b.dataset.x));
    const line = chart.querySelector('[data-says-here]');
    const svg = chart.querySelector('svg');
    if (marks.length === 0) {
        return;
    }
    let at = marks.length;
    const show = (i) => {
        at = Math.max(0, Math.min(marks.length - 1, i));
        for (const mark of marks) {
            mark.classList.toggle('is-read', mark === marks[at]);
        }
        line.textContent = marks[at].dataset.says;
    };
    const nearest = (event) => {
        const box = svg.getBoundingClientRect();
        const x = ((event.clientX - box.left) / box.width) * svg.viewBox.baseVal.width;
        const far = (i) => Math.abs(Number(marks[i].dataset.x) - x);
        show(marks.reduce((best, _, i) => (far(i) < far(best) ? i : best), 0));
    };
    svg.addEventListener('pointerdown', nearest);
    svg.addEventListener('pointermove', (event) => {
        if (event.pointerType === 'mouse' || event.pressure > 0) {
            nearest(event);
        }
    });
    const steps = { ArrowLeft: () => at - 1, ArrowRight: () => at + 1, Home: () => 0, End: () => marks.length - 1 };
    chart.addEventListener('keydown', (event) => {
        if (steps[event.key] && event.target === chart) {
            event.preventDefault();
            show(steps[event.key]());
        }
    });
};

document.querySelectorAll('[data-chart]').forEach(read);
