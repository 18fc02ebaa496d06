// The device knows where it is: its time zone is offered, never taken.
const hint = document.querySelector('[data-device-zone]');
const select = hint && document.getElementById(hint.dataset.deviceZone);
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;

function offer() {
    const isThere = [...select.options].some((option) => option.value === zone);
    hint.hidden = !isThere || select.value === zone;
}

if (select) {
    hint.querySelector('[data-name]').textContent = zone.replaceAll('_', ' ');
    hint.querySelector('button').addEventListener('click', () => {
        select.value = zone;
        select.focus();
        offer();
    });
    select.addEventListener('change', offer);
    offer();
}
