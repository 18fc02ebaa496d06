// The leg chain against a general 3-D library (three). The joint order is that of Grood & Suntay
// (1983) and the ISB recommendation (Wu et al., J Biomech 2002): flexion about the pelvis's
// side-to-side axis, abduction about the floating axis, rotation about the thigh's long axis.
import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { test } from 'node:test';
import { Matrix4, Vector3 } from 'three';
import { generator } from './php.mjs';

const radians = (degrees) => (degrees * Math.PI) / 180;
const body = { thigh: 41.2, shin: 41.3, hipSpacing: 17, seatedHipHeight: 9, ankleAboveSole: 6.6 };

const random = generator(20261125);
const between = (low, high) => low + (high - low) * random();

const solve = (cases) =>
    JSON.parse(
        execFileSync('php', ['bin/console', 'ascent:solve'], {
            input: JSON.stringify({ cases }),
            maxBuffer: 1 << 28,
        }),
    ).results;

// Standing, the thigh points down, its front is forward and its outside is outward (x, y, z as in
// the chain). Each joint turns all that hangs below it about its own axis, the last one first.
const place = ({ flexion, abduction, rotation, kneeFlexion, pelvicTilt, seat }) => {
    const tilt = new Matrix4().makeRotationAxis(new Vector3(0, 1, 0), radians(pelvicTilt));
    const hip = new Matrix4()
        .multiply(new Matrix4().makeRotationAxis(new Vector3(0, 1, 0), radians(-flexion)))
        .multiply(new Matrix4().makeRotationAxis(new Vector3(1, 0, 0), radians(abduction)))
        .multiply(new Matrix4().makeRotationAxis(new Vector3(0, 0, 1), radians(rotation)));
    const knee = new Matrix4().makeRotationAxis(new Vector3(0, 1, 0), radians(kneeFlexion));
    const thigh = tilt.clone().multiply(hip);
    const shin = thigh.clone().multiply(knee);
    const at = new Vector3(0, body.hipSpacing / 2, body.seatedHipHeight + seat);
    const kneeAt = new Vector3(0, 0, -body.thigh).applyMatrix4(thigh).add(at);
    const ankleAt = new Vector3(0, 0, -body.shin).applyMatrix4(shin).add(kneeAt);
    return { knee: kneeAt.toArray(), ankle: ankleAt.toArray() };
};

test('forward chain agrees with composed rotation matrices', () => {
    const cases = Array.from({ length: 500 }, () => ({
        posture: 'angles',
        body,
        seat: between(0, 20),
        pelvicTilt: between(-30, 30),
        flexion: between(-80, 260),
        abduction: between(-80, 80),
        rotation: between(-175, 175),
        kneeFlexion: between(0, 175),
    }));
    solve(cases).forEach((result, i) => {
        const expected = place(cases[i]);
        for (const point of ['knee', 'ankle']) {
            result[point].forEach((value, axis) => {
                assert.ok(
                    Math.abs(value - expected[point][axis]) < 1e-9,
                    `case ${i}, ${point}: ${JSON.stringify(cases[i])}`,
                );
            });
        }
    });
});

test('angles read off a posture put knee and ankle back where they were', () => {
    const cases = Array.from({ length: 500 }, () => ({
        posture: 'soles-together',
        body,
        seat: between(0, 10),
        pelvicTilt: between(-20, 20),
        kneeHeight: between(5, 25),
        heelDistance: between(8, 40),
    }));
    let read = 0;
    solve(cases).forEach((result, i) => {
        if (result.error) {
            assert.equal(result.error.code, 'out-of-reach');
            return;
        }
        read += 1;
        const expected = place({ ...cases[i], ...result });
        for (const point of ['knee', 'ankle']) {
            result[point].forEach((value, axis) => {
                assert.ok(Math.abs(value - expected[point][axis]) < 1e-6, `case ${i}, ${point}`);
            });
        }
        assert.ok(Math.abs(result.knee[2] - cases[i].kneeHeight) < 1e-9);
    });
    assert.ok(read > 300, `only ${read} of 500 could be read`);
});
