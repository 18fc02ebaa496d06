// Solves per second of the core over the same solves done with a general 3-D library in Node: the
// same soles-together readings, knee found on two circles, angles read off rotation matrices.
import { execFileSync } from 'node:child_process';
import { Matrix4, Vector3 } from 'three';
import { aim } from './aim.mjs';

const COUNT = 40000;
const ROUNDS = 5;
const body = { thigh: 41.2, shin: 41.3, hipSpacing: 17, seatedHipHeight: 9, ankleAboveSole: 6.6 };
const X = new Vector3(1, 0, 0);
const Y = new Vector3(0, 1, 0);
const degrees = (radians) => (radians * 180) / Math.PI;

const solve = (heels, height) => {
    const hip = new Vector3(0, body.hipSpacing / 2, body.seatedHipHeight);
    const ankle = new Vector3(heels + 3, body.ankleAboveSole, 4);
    const axis = new Vector3(ankle.x - hip.x, ankle.y - hip.y, 0);
    const apart = axis.length();
    axis.normalize();
    const a = body.thigh ** 2 - (height - hip.z) ** 2;
    const b = body.shin ** 2 - (height - ankle.z) ** 2;
    const along = (a - b + apart ** 2) / (2 * apart);
    const aside = Math.sqrt(a - along ** 2);
    const knee = hip
        .clone()
        .addScaledVector(axis, along)
        .addScaledVector(new Vector3(-axis.y, axis.x, 0), aside)
        .setZ(height);
    const d = knee.clone().sub(hip).normalize();
    const s = ankle.clone().sub(knee).normalize();
    const f = Math.atan2(d.x, -d.z);
    const abduction = Math.asin(d.y);
    const frame = new Matrix4().makeRotationAxis(Y, -f).multiply(new Matrix4().makeRotationAxis(X, abduction));
    const local = s.clone().applyMatrix4(frame.clone().invert());
    return [degrees(f), degrees(abduction), degrees(Math.atan2(-local.y, -local.x)), degrees(d.angleTo(s))];
};

const median = (list) => list.toSorted((p, q) => p - q)[Math.floor(list.length / 2)];
const ratios = { objects: [], batch: [] };
for (let round = 0; round < ROUNDS; round += 1) {
    const start = performance.now();
    let sum = 0;
    for (let i = 0; i < COUNT; i += 1) {
        sum += solve(10 + (i % 30), 6 + (i % 10))[2];
    }
    const node = COUNT / (performance.now() - start);
    const core = JSON.parse(
        execFileSync('php', [
            '-d',
            'opcache.enable_cli=1',
            '-d',
            'opcache.jit_buffer_size=64M',
            '-d',
            'opcache.jit=tracing',
            'bench/solves.php',
            String(COUNT),
        ]),
    );
    for (const [name, [rate, total]] of Object.entries(core)) {
        if (Math.abs(total - sum) > 1e-3) {
            throw new Error(`The two do not agree: ${total} and ${sum}`);
        }
        ratios[name].push(rate / node);
    }
}
aim('solves a second through objects, over a general 3-D library in Node', median(ratios.objects), { least: 0.75 });
aim('solves a second in a batch, over a general 3-D library in Node', median(ratios.batch), { least: 2.5 });
