/** One line: what was measured, and how it stands to what is aimed at. */
export const aim = (said, value, { most = Infinity, least = 0 }) => {
    const limit = most < Infinity ? `at most ${most}` : `at least ${least}`;
    console.log(`${said}: ${value.toFixed(2)} (aim: ${limit}, ${value >= least && value <= most ? 'met' : 'MISSED'})`);
};
