// The project's own PHP, asked from here; and numbers that are the same every time.
import { execFileSync } from 'node:child_process';

/** What some PHP prints as JSON about an input, which it finds in $in. */
export const php = (code, input) =>
    JSON.parse(
        execFileSync(
            'php',
            ['-r', `require 'vendor/autoload.php'; $in = json_decode(stream_get_contents(STDIN), true); ${code}`],
            { input: JSON.stringify(input) },
        ),
    );

/** Numbers from 0 up to 1, by a linear congruence. */
export const generator = (seed) => () => {
    seed = (seed * 1664525 + 1013904223) % 4294967296;
    return seed / 4294967296;
};
