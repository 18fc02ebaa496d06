// Signs in teachers of a grown installation, and writes down what each of them asks for when at work, for teachers.lua:
// where they are most, most often.
import { writeFileSync } from 'node:fs';

import { page, planOf, signIn } from '../tests/Kills/client.mjs';

const [base, password, many, file] = process.argv.slice(2);
const lines = [];
for (let i = 0; i < Number(many); ++i) {
    const cookies = new Map();
    const ask = await signIn(base, password, `teacher-${i}@studio.example`, cookies);
    const mat = await page(ask, `${base}/`);
    const people = [...new Set([...mat.matchAll(/href="(\/practitioners\/[0-9a-f-]{36})"/g)].map((found) => found[1]))];
    const [person, other] = people;
    const plan = await planOf(base, ask, person);
    const { token } = await (await ask(`${base}/session-token`)).json();
    const paths = ['/', '/', person, person, other, `${person}/ladder/pigeon`, `${other}/ladder/half-lotus`];
    paths.push(
        `${person}/poses/half-lotus`,
        `${person}/progress`,
        plan,
        plan,
        `${plan}/session/1`,
        '/library',
        '/classes',
    );
    const open = [];
    for (const path of paths) {
        if ((await ask(base + path)).status === 200) {
            open.push(path);
        }
    }
    lines.push([[...cookies].map(([name, value]) => `${name}=${value}`).join(';'), token, plan, ...open].join(' '));
}
writeFileSync(file, `${lines.join('\n')}\n`);
