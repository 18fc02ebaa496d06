// The words of a private address stand behind its #: they are sent to nobody but the door, and are gone from the
// address then.
const door = document.querySelector('[data-door]');
const words = decodeURIComponent(location.hash.slice(1));
if (door && words) {
    door.elements.words.value ||= words.replaceAll('-', ' ');
    door.elements.pin.focus();
}
if (words) {
    history.replaceState(null, '', location.pathname);
}
