// A guided session: one item after another, paced by time or breath, with a stop that is always in the
// same place. Everything it needs came with the page, so it goes on without a network.
import { settleFelt } from './felt.js';
import { cueAt, paced } from './session-clock.js';
import { askedOf, left as leftOver, queue, sendAll } from './log-queue.js';
import { sideOf, written, writtenForm } from './session-log.js';
import { measureOf } from './session-measure.js';
import { painsEnd } from './session-pain.js';
import * as sound from './session-sound.js';
import { t } from './texts.js';

const root = document.querySelector('[data-session]');
const find = (name) => root.querySelector(`[data-${name}]`);
const items = JSON.parse(root.dataset.session).map((item, index) => ({ ...item, figure: index }));
const ends = painsEnd(JSON.parse(root.dataset.pains));
const PHASES = {
    'warm-up': t('phase.warm-up'),
    work: t('phase.work'),
    counter: t('phase.counter'),
    rest: t('phase.rest'),
};

const done = new Map();
const pains = [];
let at = -1;
let left = 0;
let running = false;
let questions = [];
let hasMeasured = false;

const measure = measureOf(root, Number(root.dataset.noise), (text) => {
    find('difference').textContent = text;
});
const tone = () => {
    if (find('sound').checked) {
        sound.tone();
    }
};
const speak = (text) => {
    if (find('voice').checked) {
        sound.speak(text);
    }
};
find('voice-choice').hidden = !sound.hasVoice;
// The page may have been open since yesterday: the teacher's day counts.
const today = () => new Intl.DateTimeFormat('sv-SE', { timeZone: root.dataset.zone }).format(new Date());
// Where the log goes, and who may read it while it waits.
const post = (body) => queue({ address: root.dataset.address, owner: root.dataset.owner, key: root.dataset.key, body });
// It holds from now on, whether this session comes to its end or not; the log at the end says it too.
const tell = async (pain) => {
    await post({ id: crypto.randomUUID(), of: root.dataset.log, on: today(), items: [], pains: [pain] });
    sendAll();
};
const say = (pain, side, during = {}) => {
    pains.push({ ...pain, side, ...during });
    tell(pains.at(-1));
    ends.say(pain, side);
};
const read = (name) => ({
    level: Number(document.querySelector(`#${name}-level`).value),
    where: document.querySelector(`#${name}-where`).value,
    kind: document.querySelector(`#${name}-kind`).value,
});
const showClock = () => {
    const { text, breath } = paced(items[at], left, find('pace').value);
    find('clock').textContent = text;
    find('bar').max = items[at].seconds;
    find('bar').value = items[at].seconds - left;
    const pulse = find('pulse');
    pulse.hidden = breath === 0;
    pulse.classList.toggle('out', breath > 0 && Math.floor(left / (breath / 2)) % 2 === 0);
    const cue = cueAt(items[at], left);
    if (find('cue').textContent !== cue) {
        find('cue').textContent = cue;
        if (left < items[at].seconds) {
            speak(cue);
        }
    }
};
const ask = () => {
    const box = find('question');
    box.hidden = questions.length === 0;
    if (questions.length > 0) {
        find('question-text').textContent = questions[0];
        find('yes').focus();
    }
};
const note = (with_) => {
    const item = items[at];
    if (item.phase === 'work') {
        done.set(at, { holdReached: true, evenBreath: true, compensations: [], pain: null, ...done.get(at), ...with_ });
    }
};
// While it is written down what hurts, nothing goes on past it.
const holdKeys = () => {
    const isWaiting = !find('hurt').hidden || !find('allowed').hidden || find('measure')?.hidden === false;
    for (const name of ['prev', 'pause', 'skip']) {
        find(name).disabled = isWaiting;
    }
    // It keeps its place, so that the stop beside it keeps its own.
    find('again').disabled = isWaiting || items[at].phase !== 'work';
};
const figureOf = (index) => {
    const template = root.querySelector(`template[data-figure-of="${items[index]?.figure ?? ''}"]`);
    return template ? [template.content.cloneNode(true)] : [];
};
// How to get into something, and where the other leg and the arms go: before the first time of it.
const waysInto = (index) => {
    const { posture, rung, drill, waysIn, otherLeg, arms } = items[index];
    const first = items.findIndex((one) => one.posture === posture && one.rung === rung && !one.drill);
    return drill || first !== index
        ? []
        : [
              waysIn?.length > 0 && t('session.in', { what: waysIn.join(' ') }),
              otherLeg && t('session.other_leg', { what: otherLeg }),
              arms && t('session.arms', { what: arms }),
          ].filter(Boolean);
};
const show = (index) => {
    at = index;
    const item = items[at];
    left = item.seconds;
    find('place').textContent = t('session.place', { now: at + 1, all: items.length, phase: PHASES[item.phase] });
    find('name').textContent = item.name === item.rungName ? item.name : `${item.name}: ${item.rungName}`;
    find('side').textContent = sideOf(item);
    find('run').scrollIntoView({ block: 'start' });
    find('figure').replaceChildren(...figureOf(at));
    const next = items[at + 1];
    find('next').hidden = !next;
    find('next-figure').replaceChildren(...figureOf(at + 1));
    find('next-name').textContent = next ? t('session.next', { what: `${next.name}, ${next.rungName}` }) : '';
    find('props').textContent = item.props
        .map(({ what, height }) => (height ? `${what}, ${height.toFixed(1)} cm` : what))
        .join(' · ');
    find('steps').replaceChildren(
        ...[...item.position, ...waysInto(index)].map((line) => {
            const li = document.createElement('li');
            li.textContent = line;
            return li;
        }),
    );
    find('way').textContent = item.way ?? '';
    find('pair').textContent = item.fault ? t('session.pair', { right: item.fault.so, wrong: item.fault.not_so }) : '';
    find('pair-box').hidden = !item.fault;
    find('pair-box').open = false;
    find('stops').textContent = item.stop.length > 0 ? t('session.stop_if', { what: item.stop.join('; ') }) : '';
    find('wayout').textContent = item.wayOut ? t('session.out', { what: item.wayOut }) : '';
    find('hurt').hidden = true;
    find('allowed').hidden = true;
    if (find('measure')) {
        find('measure').hidden = true;
    }
    holdKeys();
    // Before anything deep, each sign of readiness is asked about, one at a time.
    questions = item.phase === 'work' && !item.gentle && !done.has(at) ? [...item.check] : [];
    if (item.phase === 'work' && find('measure') && !hasMeasured) {
        hasMeasured = true;
        find('measure').hidden = false;
        holdKeys();
        running = false;
        showClock();
        find('measure').focus();
        return;
    }
    running = questions.length === 0;
    find('pause').textContent = running ? t('session.pause') : t('session.go_on');
    showClock();
    ask();
    tone();
    speak(`${sideOf(item)}. ${item.name}. ${item.cues[0] ?? ''}`);
};
// What was noted of later items goes along with them when one more is put before them.
const moveOn = (from) => {
    for (const [index, said] of [...done].filter(([place]) => place >= from).sort(([a], [b]) => b - a)) {
        done.delete(index);
        done.set(index + 1, said);
    }
};
const finish = () => {
    running = false;
    sound.asleep();
    if (document.fullscreenElement) {
        document.exitFullscreen();
    }
    find('run').hidden = true;
    find('finish').hidden = false;
    find('finish-items').replaceChildren(...writtenForm(items, done));
    settleFelt(find('finish'));
    find('title').focus();
};
// On to the next that nothing has ended, from a place on.
const onward = (from = at + 1) => {
    let next = from;
    while (next < items.length && ends.ended(items[next])) {
        next += 1;
    }
    return next < items.length ? show(next) : finish();
};

find('begin').addEventListener('click', () => {
    const now = document.querySelector('#now-level');
    if (now.value === '') {
        find('asked').hidden = false;
        now.focus();
        return;
    }
    if (ends.felt(read('now'))) {
        say(read('now'), document.querySelector('#now-side').value);
    }
    find('arrive').hidden = true;
    const first = items.findIndex((item) => !ends.ended(item));
    if (first < 0) {
        finish();
        return;
    }
    find('run').hidden = false;
    sound.awake();
    document.documentElement.requestFullscreen?.().catch(() => {});
    show(first);
});
find('pause').addEventListener('click', () => {
    if (questions.length === 0) {
        running = !running;
        find('pause').textContent = running ? t('session.pause') : t('session.go_on');
    }
});
find('prev').addEventListener('click', () => {
    let before = at - 1;
    while (before >= 0 && ends.ended(items[before])) {
        before -= 1;
    }
    if (before >= 0) {
        show(before);
    }
});
find('skip').addEventListener('click', () => onward());
find('yes').addEventListener('click', () => {
    questions.shift();
    running = questions.length === 0;
    find('pause').textContent = running ? t('session.pause') : t('session.go_on');
    ask();
});
find('no').addEventListener('click', () => {
    note({ holdReached: false });
    questions = [];
    find('question-text').textContent = '';
    find('question').hidden = true;
    find('side').textContent = t('session.gentler_only', { what: items[at].gentler });
    running = true;
});
find('stop').addEventListener('click', () => {
    running = false;
    questions = [];
    find('question').hidden = true;
    find('gentler').textContent = items[at].gentler ? t('session.gentler', { what: items[at].gentler }) : '';
    find('hurt').hidden = false;
    document.querySelector('#hurt-side').value = items[at].side === 'both' ? '' : items[at].side;
    holdKeys();
    document.querySelector('#hurt-level').focus();
});
find('hurt-not').addEventListener('click', () => {
    find('hurt').hidden = true;
    holdKeys();
    running = true;
    find('pause').textContent = t('session.pause');
    find('pause').focus();
});
find('measured')?.addEventListener('click', () => {
    const wrong = measure.wrong('before');
    if (wrong) {
        wrong.setAttribute('aria-invalid', 'true');
        wrong.focus();
        return;
    }
    find('measure').hidden = true;
    holdKeys();
    show(at);
});
find('hurt-done').addEventListener('click', () => {
    const pain = read('hurt');
    const { posture, rung } = items[at];
    say(pain, document.querySelector('#hurt-side').value, { posture, rung });
    if (items[at].phase === 'work') {
        done.set(at, { evenBreath: true, compensations: [], ...done.get(at), pain, holdReached: false });
    }
    ends.finish(posture);
    const allowed = items.slice(at + 1).filter((item) => !ends.ended(item));
    find('hurt').hidden = true;
    find('allowed').hidden = false;
    holdKeys();
    find('allowed-text').textContent = allowed.length > 0 ? t('session.allowed') : t('session.nothing_allowed');
    find('allowed-items').replaceChildren(
        ...[...new Set(allowed.map((item) => `${item.name}, ${sideOf(item).toLowerCase()}`))].map((words) => {
            const li = document.createElement('li');
            li.textContent = words;
            return li;
        }),
    );
    find('go-on').hidden = allowed.length === 0;
    find('allowed').focus();
});
find('go-on').addEventListener('click', () => onward());
find('end').addEventListener('click', finish);
// A second entry is usually better, and tells more: both stand in the log, to be compared.
find('again').addEventListener('click', () => {
    if (ends.ended(items[at])) {
        return;
    }
    note({});
    items.splice(at + 1, 0, { ...items[at], tries: (items[at].tries ?? 1) + 1 });
    moveOn(at + 1);
    show(at + 1);
});
setInterval(() => {
    if (!running) {
        return;
    }
    left -= 1;
    if (left <= 0) {
        note({});
        onward();
    } else {
        showClock();
    }
}, 1000);

find('finish').addEventListener('submit', async (event) => {
    event.preventDefault();
    const last = document.querySelector('#last-level');
    if (last.value === '') {
        find('asked-last').hidden = false;
        last.focus();
        return;
    }
    const wrong = measure.wrong('before', 'after');
    if (wrong) {
        find('not-number').hidden = false;
        wrong.focus();
        return;
    }
    if (ends.felt(read('last'))) {
        say(read('last'), document.querySelector('#last-side').value);
    }
    const queued = post({
        id: root.dataset.log,
        on: today(),
        items: written(find('finish'), items, done),
        pains,
        before: measure.mean('before'),
        after: measure.mean('after'),
        soreAtNight: find('sore').checked,
        note: find('note').value,
    });
    const send = async () => {
        await queued;
        const sent = await sendAll();
        const mine = leftOver(root.dataset.owner).find((kept) => kept.id === root.dataset.log);
        if (sent && !mine) {
            window.location.assign(askedOf(root.dataset.log) ?? root.dataset.back);
        } else if (mine?.refused) {
            find('sent').textContent = t('session.refused', { why: mine.refused });
            find('sent').className = 'note caution';
        } else {
            find('sent').textContent = t('session.queued');
            find('sent').className = 'note caution';
            setTimeout(send, 5000);
        }
    };
    await send();
});
