// Lines, differences and quantiles of months of readings against a general statistics library (simple-statistics).
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { linearRegression, mean, probit, sampleStandardDeviation } from 'simple-statistics';
import { generator, php } from './php.mjs';

const random = generator(815);
const near = (one, other, within) => assert.ok(Math.abs(one - other) <= within, `${one} is not ${other}`);

test('a fitted line is that of the library', () => {
    for (let run = 0; run < 20; run += 1) {
        const points = Array.from({ length: 4 + run }, () => [200 * random(), 60 + 20 * random()]);
        const [level, slope] = php(
            '$fit = LucidAscent\\Core\\Statistics\\LeastSquares::of(array_map(floatval(...), array_column($in, 1)), [array_fill(0, count($in), 1.0), array_map(floatval(...), array_column($in, 0))]); echo json_encode($fit->coefficients);',
            points,
        );
        const { m, b } = linearRegression(points);
        near(slope, m, 1e-8);
        near(level, b, 1e-6);
    }
});

test('a trend through readings that lie on a line is that line', () => {
    for (let run = 0; run < 10; run += 1) {
        const points = Array.from({ length: 6 }, (_, i) => [30 * i, 50 + run * 0.01 * 30 * i]);
        const slope = php(
            'echo json_encode(LucidAscent\\Core\\Progress\\Trend::of(array_map(static fn (array $one) => new LucidAscent\\Core\\Progress\\TimedReading($one[0], $one[1], 2.0), $in))->slope->mean());',
            points,
        );
        near(slope, linearRegression(points).m, 1e-9);
    }
});

test('quantiles of one normal distribution are those of the library', () => {
    for (const chance of [0.025, 0.1, 0.5, 0.9, 0.975]) {
        const value = php(
            'echo json_encode((new LucidAscent\\Core\\Statistics\\Mixture([["weight" => 1.0, "mean" => 10.0, "sd" => 3.0]]))->quantile($in));',
            chance,
        );
        // The library's own approximation (Winitzki) is good to a few thousandths of an SD.
        near(value, 10 + 3 * probit(chance), 0.015);
    }
});

test('what one session does is the mean difference, with the error of a mean', () => {
    for (let run = 0; run < 10; run += 1) {
        const sessions = Array.from({ length: 3 + run }, () => [20 + 3 * random(), 17 + 6 * random()]);
        const changes = sessions.map(([before, after]) => after - before);
        const [change, error] = php(
            '$of = LucidAscent\\Core\\Progress\\WithinSession::of($in, 0.1); echo json_encode([$of->mean, $of->error]);',
            sessions,
        );
        near(change, mean(changes), 1e-9);
        near(error, sampleStandardDeviation(changes) / Math.sqrt(changes.length), 1e-9);
    }
});
