// Eight clients write without pause, and send again what was not answered, while the database, PHP, the web
// server and single workers are killed at random moments. What was promised is there afterwards, once.
// KILLS=1000 KILLS_SEED=7 for more, and for the same again.
import { execFileSync, spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { setTimeout as wait } from 'node:timers/promises';

import { firstPerson, planOf, signIn } from './client.mjs';

const KILLS = Number(process.env.KILLS ?? 10);
const SEED = Number(process.env.KILLS_SEED ?? Date.now() % 1e6);
const CLIENTS = 8;
const ENV = 'kills';
const FOLDER = `var/env/${ENV}`;
const env = { ...process.env, ASCENT_ENV: ENV };

let state = SEED;
const random = (most) => {
    state = (Math.imul(state, 1103515245) + 12345) & 0x7fffffff;
    return (state >> 8) % most;
};
const run = (command, ...args) => execFileSync(command, args, { env, encoding: 'utf8' });
const start = () => {
    for (let tries = 0; tries < 3; ++tries) {
        const started = spawnSync('bin/start', { env, encoding: 'utf8' });
        if (started.status === 0) {
            return started.stdout;
        }
        console.log(`bin/start: ${started.stderr.trim()}`);
    }
    throw new Error('bin/start does not start any more');
};
const inEnvironment = (script, word) =>
    run(
        'bash',
        '-c',
        `. bin/lib/common.sh; . bin/lib/services.sh; as_whom_it_was_started; use_env ${ENV}; ${script}`,
        word,
    ).trim();
const rows = (sql) => inEnvironment('db_admin -e "$0"', sql);

const promised = new Set();
const sent = new Set();
let storms = true;
/** Where it is: another installation may take the port of one that was killed. */
const address = () => `http://127.0.0.1:${readFileSync(`${FOLDER}/web.port`, 'utf8').trim()}`;

const write = async (password) => {
    let ask = null;
    let plan = null;
    let token = null;
    while (storms) {
        const id = randomUUID();
        sent.add(id);
        for (let isKept = false; !isKept && storms;) {
            try {
                const base = address();
                ask ??= await signIn(base, password);
                plan ??= await planOf(base, ask, await firstPerson(base, ask));
                token ??= (await (await ask(`${base}/session-token`)).json()).token;
                const response = await ask(`${base}${plan}/log`, {
                    method: 'POST',
                    headers: { 'content-type': 'application/json', 'x-token': token },
                    body: JSON.stringify({
                        id,
                        on: new Date().toISOString().slice(0, 10),
                        items: [],
                        pains: [],
                        note: 'storm',
                    }),
                });
                if (response.status === 200) {
                    await response.json();
                    promised.add(id);
                    isKept = true;
                } else {
                    // A session that went with the storm is begun anew.
                    if (response.status === 302 || response.status === 403) {
                        ask = token = null;
                    }
                    await wait(50);
                }
            } catch {
                token = null;
                await wait(100);
            }
        }
    }
};

/** The first processes of the three servers and all that work for them. */
const processes = () =>
    inEnvironment('for name in mariadb fpm nginx; do server "$name" && echo || true; processes_of "$name"; done', '')
        .split('\n')
        .filter(Boolean)
        .map(Number);

// Asked to end, it ends the storm and counts what came of it so far.
let isAsked = false;
process.on('SIGTERM', () => {
    isAsked = true;
});

console.log(`seed ${SEED}, ${KILLS} kills, ${CLIENTS} clients`);
mkdirSync('var/test', { recursive: true });
run('bin/stop');
rmSync(FOLDER, { recursive: true, force: true });
let status;
try {
    const password = /password (\S+)/.exec(start())[1];
    const logs = () => rows('SELECT LOWER(HEX(id)) FROM lucid_ascent.session_log').split('\n').filter(Boolean);
    const before = logs();
    const teacher = await signIn(address(), password);
    await planOf(address(), teacher, await firstPerson(address(), teacher));
    const clients = Array.from({ length: CLIENTS }, () => write(password));
    let killed = 0;
    while (killed < KILLS && !isAsked) {
        await wait(300 + random(1500));
        const now = processes();
        if (now.length > 0) {
            try {
                process.kill(now[random(now.length)], 'SIGKILL');
                ++killed;
            } catch {
                // It has ended by itself meanwhile.
                continue;
            }
        }
        await wait(200);
        start();
    }
    await wait(1000);
    storms = false;
    await Promise.all(clients);
    const kept = logs().filter((id) => !before.includes(id));
    const there = new Set(kept);
    const lost = [...promised].filter((id) => !there.has(id.replaceAll('-', '')));
    const strange = kept.filter((id) => ![...sent].some((one) => one.replaceAll('-', '') === id));
    console.log(
        [
            `${killed} kills`,
            `${promised.size} promised`,
            `${kept.length} kept`,
            `${kept.length - there.size} doubled`,
            `${lost.length} lost`,
            `${strange.length} that nobody sent`,
        ].join(', '),
    );
    const after = new Set(logs());
    status =
        promised.size > CLIENTS &&
        lost.length + strange.length + (kept.length - there.size) === 0 &&
        before.every((id) => after.has(id))
            ? 0
            : 1;
} finally {
    storms = false;
    spawnSync('bin/stop', { env });
    rmSync(FOLDER, { recursive: true, force: true });
}
console.log(status === 0 ? 'ok' : 'FAULT');
process.exit(status);
