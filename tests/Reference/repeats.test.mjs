// Errors of repeated measures against a general statistics library (simple-statistics).
import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { test } from 'node:test';
import { mean, sampleStandardDeviation, sampleVariance } from 'simple-statistics';
import { generator, php } from './php.mjs';

const random = generator(4711);

test('the SEM of repeated readings is the pooled within-leg deviation', () => {
    for (let run = 0; run < 20; run += 1) {
        const legs = Array.from({ length: 2 + (run % 5) }, () => {
            const leg = 40 + 60 * random();
            return Array.from({ length: 3 }, () => leg + 6 * (random() - 0.5));
        });
        const [sem, icc] = php(
            '$r = new LucidAscent\\\\Core\\\\Testing\\\\Repeats($in); echo json_encode([$r->sem(), $r->icc()]);'.replaceAll(
                '\\\\',
                '\\',
            ),
            legs,
        );
        const within = mean(legs.map(sampleVariance));
        assert.ok(Math.abs(sem - Math.sqrt(within)) < 1e-9);
        const between = 3 * sampleVariance(legs.map(mean));
        assert.ok(Math.abs(icc - (between - within) / (between + 2 * within)) < 1e-9);
    }
});

test('the reading error of trials that spread is their sample deviation, and the MDC 2.77 times that', () => {
    const trials = [32, 41.5, 37];
    const answer = JSON.parse(
        execFileSync('php', ['bin/console', 'ascent:capacity'], {
            input: JSON.stringify({
                body: { stature: 170 },
                tests: [{ test: 'inward-turn', side: 'left', trials: trials.map((angle) => ({ angle })) }],
            }),
        }),
    );
    const { value, error } = answer.left['internal-rotation'];
    assert.ok(Math.abs(value - mean(trials)) < 1e-9);
    assert.ok(Math.abs(error - sampleStandardDeviation(trials)) < 1e-9);
    const mdc = php('echo json_encode(LucidAscent\\Core\\Testing\\SmallestChange::of($in));', error);
    assert.ok(Math.abs(mdc - 1.96 * Math.SQRT2 * sampleStandardDeviation(trials)) < 1e-9);
});
