// How far a hand gets against a chain of composed rotations in a general 3-D library (three), and the lengths of arms
// against published tables.
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { Matrix4, Vector3 } from 'three';
import { generator, php } from './php.mjs';

const radians = (degrees) => (degrees * Math.PI) / 180;
const turn = (axis, degrees) => new Matrix4().makeRotationAxis(new Vector3(...axis), radians(degrees));
const random = generator(3003);
const between = (low, high) => low + (high - low) * random();

// A hand to its own foot's ankle, the leg straight, the trunk long; what hip, spine and side do not give.
const asked = Array.from({ length: 200 }, () => ({
    stature: between(150, 195),
    tilt: between(-20, 60),
    flexion: between(60, 130),
    abduction: between(0, 30),
    twist: between(11, 40),
    hip: between(0, 30),
    turned: between(0, 10),
}));
const gaps = php(
    `use LucidAscent\\Core\\{Body\\Length, Body\\Proportions, Body\\Side, Posture\\ReachKind, Reach\\DrawnReach};
    echo json_encode(array_map(fn (array $one): float => (new DrawnReach(ReachKind::Hold,
        LucidAscent\\App\\Catalogue\\PoseText::pose(['base' => 'standing', 'hips' => 90, 'tilt' => $one['tilt'],
            'twist' => $one['twist'], 'leg' => [$one['flexion'], $one['abduction'], 0, 0], 'other' => [0, 0, 0, 0]]),
        true, 'ankle'))->of(Proportions::of(Length::cm($one['stature'])), Side::Left)->gap([
            'hamstrings left' => $one['hip'], 'spine-rotation left' => $one['turned']]), $in));`,
    asked,
);

test('the gap from hand to foot is that of a chain of composed rotations', () => {
    asked.forEach((one, i) => {
        const pelvis = turn([0, 1, 0], one.tilt);
        const height = one.stature;
        const leg = pelvis
            .clone()
            .multiply(turn([0, 1, 0], -(one.flexion - one.hip)))
            .multiply(turn([1, 0, 0], one.abduction));
        const ankle = new Vector3(0, 0, -(0.245 + 0.246) * height).applyMatrix4(leg);
        // The hip lies half the spacing out; where the hip gives less, the leg is where it would be from there.
        ankle.add(new Vector3(0, 0.0515 * height, 0).applyMatrix4(pelvis));
        const chest = pelvis.clone().multiply(turn([0, 0, 1], one.twist - one.turned));
        const shoulder = new Vector3(0, 0.102 * height, (0.3 - 0.03) * height).applyMatrix4(chest);
        const expected = shoulder.distanceTo(ankle) - 0.44 * height + 3;
        assert.ok(Math.abs(gaps[i] - expected) < 0.01, `${i}: ${gaps[i]} is not ${expected}`);
    });
});

test('arms are as long as in published tables', () => {
    // Shares of stature: upper arm 0.186, forearm 0.146, hand 0.108 (Drillis & Contini 1966, as tabulated by Winter).
    // US Army survey (Gordon et al. 1989), from memory: men of 175.6 cm have 36.9 from shoulder to elbow and 48.4 from
    // elbow to fingertips; women of 162.9 cm 33.6 and 44.3, both measured over the bent elbow, which adds some cm.
    const arm = ([stature]) =>
        php(
            `use LucidAscent\\Core\\{Body\\Length, Body\\Proportions, Body\\Side};
            $of = Proportions::of(Length::cm($in[0]));
            $upper = $of->upper(Side::Left);
            echo json_encode([$upper->upperArm, $of->toFingertips(Side::Left) - $upper->upperArm,
                $of->hand(Side::Left)]);`,
            [stature],
        );
    for (const [stature, upper, elbow] of [
        [175.6, 36.9, 48.4],
        [162.9, 33.6, 44.3],
    ]) {
        const [ours, rest, hand] = arm([stature]);
        assert.ok(Math.abs(ours / stature - 0.186) < 1e-6);
        assert.ok(Math.abs(hand / stature - 0.108) < 1e-6);
        assert.ok(upper - ours > 0 && upper - ours < 5, `${ours} beside ${upper}`);
        assert.ok(elbow - rest > 0 && elbow - rest < 5, `${rest} beside ${elbow}`);
        assert.ok(Math.abs(ours / rest - upper / elbow) < 0.05, 'Upper arm to forearm and hand, as published.');
    }
});
