// A class as it is taught: one posture at a time, large, with its time and what comes next. Without this script all of
// them stand below each other.
import { clock } from './session-clock.js';
import { t } from './texts.js';

const root = document.querySelector('[data-class]');
const find = (name) => root.querySelector(`[data-${name}]`);
const pieces = [...root.querySelectorAll('[data-piece]')];
let at = 0;
let left = 0;
let until = 0;
let ticking = null;

const show = () => {
    find('clock').textContent = clock(left);
};
const pause = () => {
    clearInterval(ticking);
    ticking = null;
    find('run').textContent = t('class.start');
};
// What was said of pain since the page was opened counts now: who does what is asked anew for each posture.
const refresh = async (index) => {
    try {
        const answer = await fetch(window.location.href, { headers: { Accept: 'text/html' } });
        const page = new DOMParser().parseFromString(await answer.text(), 'text/html');
        const fresh = page.querySelectorAll('[data-piece]')[index];
        if (answer.ok && fresh?.dataset.piece === pieces[index].dataset.piece) {
            pieces[index].querySelector('.class-rungs').replaceWith(fresh.querySelector('.class-rungs'));
        }
    } catch {
        // Without a network what was there stays.
    }
};
const turn = (to, isNew = false) => {
    at = to;
    left = Number(pieces[at].dataset.seconds);
    until = Date.now() + left * 1000;
    pieces.forEach((piece, index) => {
        piece.hidden = index !== at;
    });
    const next = pieces[at + 1];
    find('coming').textContent = next ? t('class.coming', { name: next.dataset.piece }) : t('class.last');
    find('back').disabled = at === 0;
    find('next').disabled = !next;
    find('said').textContent = pieces[at].dataset.piece;
    show();
    if (!isNew) {
        refresh(to);
    }
};
const tick = () => {
    left = Math.max(0, Math.round((until - Date.now()) / 1000));
    if (left === 0 && at + 1 < pieces.length) {
        turn(at + 1);
    } else if (left === 0) {
        pause();
    }
    show();
};
const run = () => {
    if (ticking !== null) {
        pause();
        return;
    }
    until = Date.now() + left * 1000;
    ticking = setInterval(tick, 250);
    find('run').textContent = t('class.pause');
};

if (pieces.length > 0) {
    find('bar').hidden = false;
    find('run').addEventListener('click', run);
    find('back').addEventListener('click', () => turn(at - 1));
    find('next').addEventListener('click', () => turn(at + 1));
    turn(0, true);
}
