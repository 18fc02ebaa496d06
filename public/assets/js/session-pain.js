// What a pain that was said ends for the rest of a session: its side, all but lying rest, or some loads. The table is the
// server's, and so is every hold after the session; here it is only who may go on at what, until the session is over.
export const painsEnd = (table) => {
    const ends = [];
    // Nothing more of a posture that hurt, but what undoes it.
    const finished = new Set();
    return {
        say: ({ where, kind, level }, side) => {
            const rule = table[where]?.[kind]?.[level];
            // An answer that is on no table ends everything.
            ends.push(rule ? { ...rule, of: side } : { all: true, side: true, loads: [], of: '' });
        },
        finish: (posture) => finished.add(posture),
        ended: (item) =>
            (item.phase === 'work' && finished.has(item.posture)) ||
            ends.some(
                ({ all, side, loads, of }) =>
                    ((all || (side && of === '')) && !item.straightRest) ||
                    // A side that rests altogether leaves the other its gentle shapes.
                    (side && of !== '' && (item.side === of || item.side === 'both' || !item.gentle)) ||
                    loads.some((load) => item.loads.includes(load)),
            ),
    };
};
