// What a pain that was said ends for the rest of a session. Every answer was judged by the server beforehand, and so
// was every item: here they are only looked up, for a session goes on without a network.
const NOTHING = -1;

export const painsEnd = (answers) => {
    const ended = new Set();
    // Nothing more of a posture that hurt, but what undoes it.
    const finished = new Set();
    let everything = false;
    const judged = ({ where, kind, level }, side) => answers[where]?.[kind]?.[level]?.[side || 'none'];
    return {
        felt: (pain) => judged(pain, '') !== NOTHING,
        say: (pain, side) => {
            const number = judged(pain, side);
            // An answer that nobody has judged ends everything.
            everything ||= number === undefined;
            ended.add(number);
        },
        finish: (posture) => finished.add(posture),
        ended: (item) =>
            everything ||
            (item.phase === 'work' && finished.has(item.posture)) ||
            item.endedBy.some((one) => ended.has(one)),
    };
};
