/** One line: what was measured, and how it stands to what is aimed at; without an aim it is a figure to compare with. */
export const aim = (said, value, { most, least } = {}) => {
    let stands = '';
    if (most !== undefined) {
        stands = ` (aim: at most ${most}, ${value <= most ? 'met' : 'MISSED'})`;
    } else if (least !== undefined) {
        stands = ` (aim: at least ${least}, ${value >= least ? 'met' : 'MISSED'})`;
    }
    console.log(`${said}: ${value.toFixed(2)}${stands}`);
};
