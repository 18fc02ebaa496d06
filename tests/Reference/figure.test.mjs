// The figure's legs against a general 3-D library (three): composed rotations, each about its own axis, in the joint
// order of Grood & Suntay (1983) and of the ISB recommendation (Wu et al., J Biomech 2002), on both sides.
import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { test } from 'node:test';
import { Matrix4, Vector3 } from 'three';
import { generator } from './php.mjs';

const radians = (degrees) => (degrees * Math.PI) / 180;
const turn = (axis, degrees) => new Matrix4().makeRotationAxis(new Vector3(...axis), radians(degrees));

// Poses by angles, drawn by the product's own core; what comes back are points in cm in the ground frame.
const figures = (poses) =>
    JSON.parse(
        execFileSync('php', ['tests/Reference/figures.php'], { input: JSON.stringify(poses), maxBuffer: 1 << 26 }),
    );

const random = generator(1126);
const between = (low, high) => low + (high - low) * random();

const poses = Array.from({ length: 200 }, () => ({
    stature: between(150, 195),
    tilt: between(-95, 95),
    lean: between(-60, 60),
    turn: between(-90, 90),
    leg: [between(-30, 130), between(-30, 60), between(-50, 90), between(0, 150)],
    arm: [between(-40, 170), between(-30, 120), between(-60, 60), between(0, 140)],
}));

// x forward, y to the left, z up. The pelvis is turned over the floor, tipped forward, and leaned so that its left
// rises.
const pelvisOf = ({ tilt, lean, turn: over }) =>
    turn([0, 0, 1], over)
        .multiply(turn([0, 1, 0], tilt))
        .multiply(turn([1, 0, 0], lean));

// A limb hangs from its joint; the left one's outward is +y, the right one is its mirror image.
const limb = (frame, sign, [flexion, abduction, rotation, bend], bends) => {
    const first = frame
        .clone()
        .multiply(turn([0, 1, 0], -flexion))
        .multiply(turn([1, 0, 0], sign * abduction))
        .multiply(turn([0, 0, 1], sign * rotation));
    return [first, first.clone().multiply(turn([0, 1, 0], bends * bend))];
};
const along = (matrix, length) => new Vector3(0, 0, -length).applyMatrix4(matrix);
const near = (actual, expected, what) =>
    actual.forEach((value, axis) =>
        assert.ok(Math.abs(value - expected.toArray()[axis]) < 0.02, `${what}: ${actual} is not ${expected.toArray()}`),
    );

test('legs and arms are where composed rotations put them', () => {
    figures(poses).forEach(({ points }, i) => {
        const pose = poses[i];
        const pelvis = pelvisOf(pose);
        for (const [side, sign] of [
            ['left', 1],
            ['right', -1],
        ]) {
            const hip = new Vector3(...points[`${side}-hip`]);
            const [thigh, shin] = limb(pelvis, sign, pose.leg, 1);
            const knee = along(thigh, 0.245 * pose.stature).add(hip);
            near(points[`${side}-knee`], knee, `${i} ${side} knee`);
            near(points[`${side}-ankle`], along(shin, 0.246 * pose.stature).add(knee), `${i} ${side} ankle`);
            const shoulder = new Vector3(...points[`${side}-shoulder`]);
            const [upper, fore] = limb(pelvis, sign, pose.arm, -1);
            const elbow = along(upper, 0.186 * pose.stature).add(shoulder);
            near(points[`${side}-elbow`], elbow, `${i} ${side} elbow`);
            near(points[`${side}-wrist`], along(fore, 0.146 * pose.stature).add(elbow), `${i} ${side} wrist`);
        }
    });
});

test('lengths are those of the published shares of stature', () => {
    // Drillis & Contini (1966), as tabulated by Winter: thigh 0.245, shank 0.246, upper arm 0.186, forearm 0.146 of
    // stature (from memory).
    figures(poses.slice(0, 20)).forEach(({ points }, i) => {
        const length = (from, to) =>
            new Vector3(...points[from]).distanceTo(new Vector3(...points[to])) / poses[i].stature;
        for (const side of ['left', 'right']) {
            assert.ok(Math.abs(length(`${side}-hip`, `${side}-knee`) - 0.245) < 1e-3);
            assert.ok(Math.abs(length(`${side}-knee`, `${side}-ankle`) - 0.246) < 1e-3);
            assert.ok(Math.abs(length(`${side}-shoulder`, `${side}-elbow`) - 0.186) < 1e-3);
            assert.ok(Math.abs(length(`${side}-elbow`, `${side}-wrist`) - 0.146) < 1e-3);
        }
    });
});
