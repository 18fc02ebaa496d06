// Sixteen clients write without pause through the balancer, and send again what was not answered, while nodes of the
// database and of the application are killed, frozen, and cut off from one another. What was promised is on every node
// afterwards, once; whoever said that it hurts is on hold from then on; whoever was signed in stays so.
// NODES=full for all of it, with pauses of thirty seconds; NODES_SEED=7 for the same again.
import { execFile, execFileSync, spawn, spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { setTimeout as wait } from 'node:timers/promises';
import { promisify } from 'node:util';
import { crc32, deflateSync } from 'node:zlib';

import { fields, newPlan, page, planOf, send, signIn } from './client.mjs';

const CLIENTS = 16;
const FULL = process.env.NODES === 'full';
const FREEZE = FULL ? 30_000 : 9_000;
const LONGEST_GAP = 10_000;
const env = {
    ...process.env,
    CLUSTER_NAME: 'storm',
    CLUSTER_PORT: '33400',
    CLUSTER_NET: '7',
    CLUSTER_USER: 'private',
    CLUSTER_PICTURES: 's3://storm:storm@127.0.0.1:33430/pictures?tls=0',
};
const BASE = 'http://127.0.0.1:33420';
const FOLDER = 'var/env/storm';

const cluster = (...args) => execFileSync('bin/cluster', args, { env, encoding: 'utf8' });
/** While clients go on asking. */
const beside = (...args) => promisify(execFile)('bin/cluster', args, { env });
const inCluster = (script) =>
    execFileSync(
        'bash',
        [
            '-c',
            `for one in common services cluster; do . "bin/lib/$one.sh"; done
            ensure_service_user private >/dev/null
            ${script}`,
        ],
        { env, encoding: 'utf8' },
    ).trim();
const rows = (node, sql) => inCluster(`at ${node}; db_admin -e "${sql}"`).split('\n').filter(Boolean);

/** A grey picture that no other is like. */
const picture = () => {
    const size = 120;
    const chunk = (type, data) => {
        const body = Buffer.concat([Buffer.from(type), data]);
        const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
        length.writeUInt32BE(data.length);
        sum.writeUInt32BE(crc32(body) >>> 0);
        return Buffer.concat([length, body, sum]);
    };
    const head = Buffer.alloc(13);
    head.writeUInt32BE(size, 0);
    head.writeUInt32BE(size, 4);
    head[8] = 8;
    const pixels = Buffer.concat(
        Array.from({ length: size }, () => Buffer.concat([Buffer.from([0]), Buffer.alloc(size, Math.random() * 255)])),
    );
    return new Blob(
        [
            Buffer.concat([
                Buffer.from('89504e470d0a1a0a', 'hex'),
                chunk('IHDR', head),
                chunk('IDAT', deflateSync(pixels)),
                chunk('IEND', Buffer.alloc(0)),
            ]),
        ],
        { type: 'image/png' },
    );
};

/** A record like the demo's, of somebody who is in no other. */
const somebody = (record, name) => {
    const ids = new Map();
    const anew = record.replace(/[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g, (id) => {
        ids.set(id, ids.get(id) ?? randomUUID());
        return ids.get(id);
    });
    const document = JSON.parse(anew);
    document.person.name = name;
    return JSON.stringify(document);
};

const promised = { log: new Set(), check: new Set(), plan: new Set(), import: new Set(), picture: new Set() };
const tables = {
    log: 'session_log',
    check: 'readiness_check',
    plan: 'practice_plan',
    picture: 'kept_picture',
};
const faults = [];
const answers = [];
const failures = [];
let storms = true;
let slowest = 0;

class Client {
    constructor(password, record) {
        Object.assign(this, { password, record, ask: null });
    }

    async begin() {
        const ask = await signIn(BASE, this.password);
        this.ask = async (address, options) => {
            const response = await ask(address, options).catch((reason) => {
                failures.push([Date.now(), reason.message]);
                throw reason;
            });
            if (response.status < 500) {
                answers.push(Date.now());
            } else {
                failures.push([Date.now(), `${response.status} ${address}`]);
            }
            if ((response.headers.get('location') ?? '').endsWith('/sign-in') || response.status === 401) {
                faults.push(`somebody who was signed in is asked to sign in: ${address}`);
            }
            return response;
        };
        this.painful = await this.imported();
        this.well = await this.imported();
        this.plan = await planOf(BASE, this.ask, this.painful);
        const bench = await page(this.ask, `${BASE}${this.well}/tests/cow-face-knees`);
        this.pictures = /data-token="([^"]+)"/.exec(bench)?.[1];
    }

    /** Again and again, as it is, until it is taken; null when the storm is over before that. */
    async until(write) {
        const began = Date.now();
        while (storms) {
            try {
                const taken = await write();
                if (taken !== null) {
                    slowest = Math.max(slowest, Date.now() - began);
                    return taken;
                }
            } catch {
                // It is sent again.
            }
            await wait(100);
        }
        return null;
    }

    async imported() {
        const name = `Storm ${randomUUID()}`;
        const sent = somebody(this.record, name);
        const found = await this.until(async () => {
            const form = fields(await page(this.ask, `${BASE}/records/read`), 'record_form');
            const body = new FormData();
            for (const [key, value] of Object.entries(form)) {
                if (key !== 'record_form[file]') {
                    body.set(key, value);
                }
            }
            body.set('record_form[file]', new Blob([sent], { type: 'application/json' }), 'record.json');
            const response = await this.ask(`${BASE}/records/read`, { method: 'POST', body });
            const said = response.status === 200 ? await response.text() : '';
            return /href="(\/practitioners\/[0-9a-f-]{36})"/.exec(said.slice(said.indexOf('<main')))?.[1] ?? null;
        });
        if (found !== null) {
            promised.import.add(name);
        }
        return found;
    }

    async log(base = BASE) {
        const id = randomUUID();
        const isKept = await this.until(async () => {
            const { token } = await (await this.ask(`${base}/session-token`)).json();
            const response = await this.ask(`${base}${this.plan}/log`, {
                method: 'POST',
                headers: { 'content-type': 'application/json', 'x-token': token },
                body: JSON.stringify({
                    id,
                    on: new Date().toISOString().slice(0, 10),
                    items: [],
                    pains: [{ where: 'inner-knee', kind: 'sharp', level: 5, side: 'left' }],
                    note: '',
                }),
            });
            return response.status === 200 ? true : null;
        });
        if (isKept) {
            promised.log.add(id);
            this.hurts = true;
        }
    }

    /** From the moment on at which it was taken that it hurts, every page says so. */
    async look() {
        const seen = await this.until(() => page(this.ask, BASE + this.painful));
        if (seen !== null && this.hurts && !seen.includes('On hold')) {
            faults.push(`${this.painful} is not on hold`);
        }
    }

    async check() {
        const address = `${BASE}${this.well}/ladder/pigeon/check/left`;
        let form = null;
        const entry = await this.until(async () => {
            if (form === null) {
                const response = await this.ask(address);
                if (response.status !== 200) {
                    return response.status < 500 ? 'none' : null;
                }
                form = fields(await response.text(), 'check_form');
            }
            const to = await send(this.ask, address, {
                ...form,
                'check_form[holdReached]': '1',
                'check_form[evenBreath]': '1',
                'check_form[pain][level]': '0',
                'check_form[practisedOn]': new Date().toISOString().slice(0, 10),
            });
            return to === null ? null : form['check_form[entry]'];
        });
        if (entry !== null && entry !== 'none') {
            promised.check.add(entry);
        }
    }

    async planned() {
        let form = null;
        const entry = await this.until(async () => {
            form ??= await newPlan(BASE, this.ask, this.well);
            const to = await send(this.ask, `${BASE}${this.well}/plans/new`, form);
            return to === null ? null : form.find(([name]) => name === 'plan[entry]')[1];
        });
        if (entry !== null) {
            promised.plan.add(entry);
        }
    }

    async pictured() {
        const entry = randomUUID();
        const sent = picture();
        const isKept = await this.until(async () => {
            const body = new FormData();
            body.set('picture', sent, 'picture.png');
            body.set('points', '{}');
            body.set('entry', entry);
            const response = await this.ask(`${BASE}${this.well}/tests/cow-face-knees/pictures`, {
                method: 'POST',
                headers: { 'x-token': this.pictures },
                body,
            });
            return response.status === 200 ? true : null;
        });
        if (isKept) {
            promised.picture.add(entry);
        }
    }

    async write() {
        const all = [
            () => this.log(),
            () => this.check(),
            () => this.planned(),
            () => this.imported(),
            () => this.pictured(),
        ];
        for (let next = Math.floor(Math.random() * all.length); storms; next = (next + 1) % all.length) {
            await all[next]();
            await this.look();
        }
    }
}

/** How long nobody was answered at most since then, and how long after it that began; in milliseconds. */
const gapSince = (moment) => {
    const times = [moment, ...answers.filter((time) => time >= moment), Date.now()];
    const gaps = times.slice(1).map((time, i) => time - times[i]);
    const longest = Math.max(...gaps);
    return [longest, times[gaps.indexOf(longest)] - moment];
};

/** Something happens to a node, and how long nobody was answered meanwhile. */
const event = async (what, happen, after) => {
    const began = Date.now();
    await happen();
    await wait(FULL ? 8_000 : 5_000);
    await after();
    // Whatever comes of a node that joins the others again comes now.
    await wait(FULL ? 5_000 : 2_000);
    const [gap, from] = gapSince(began);
    if (gap >= LONGEST_GAP) {
        faults.push(`${what}: nobody was answered for ${(gap / 1000).toFixed(1)} s`);
    }
    console.log(
        `${what}: nobody was answered for ${(gap / 1000).toFixed(1)} s at most, from ${(from / 1000).toFixed(1)} s on`,
    );
};
const killed = (node) =>
    event(
        `${node} killed`,
        () => beside('kill', node),
        () => beside('up'),
    );
const frozen = (node) =>
    event(
        `${node} frozen for ${FREEZE / 1000} s`,
        async () => {
            await beside('freeze', node);
            await wait(FREEZE);
        },
        () => beside('thaw', node),
    );
const RULES = 'inet ascent_storm';
const cut = (one, other) =>
    event(
        `nothing passes between ${one} and ${other}`,
        async () => {
            const [a, b] = [`127.0.7.${one.slice(2)}`, `127.0.7.${other.slice(2)}`];
            const nft = (...args) => execFileSync('nft', args);
            nft('add', 'table', ...RULES.split(' '));
            nft('add', 'chain', ...RULES.split(' '), 'in', '{ type filter hook input priority 0; }');
            nft('add', 'rule', ...RULES.split(' '), 'in', 'ip', 'saddr', a, 'ip', 'daddr', b, 'drop');
            nft('add', 'rule', ...RULES.split(' '), 'in', 'ip', 'saddr', b, 'ip', 'daddr', a, 'drop');
            await wait(FULL ? 20_000 : 6_000);
        },
        () => spawnSync('nft', ['delete', 'table', ...RULES.split(' ')]),
    );
/** The same code with tables of its own, as a version that comes after it has. */
const upgraded = async () => {
    const version = `${FOLDER}-version`;
    mkdirSync(version);
    const parts =
        '.env bin catalogue composer.json config core docs migrations public src templates translations vendor';
    execFileSync('cp', ['-al', ...parts.split(' '), version]);
    writeFileSync(
        `${version}/migrations/Version20991231000000.php`,
        `<?php

declare(strict_types=1);

namespace LucidAscent\\Migrations;

use Doctrine\\DBAL\\Schema\\Schema;
use Doctrine\\Migrations\\AbstractMigration;

final class Version20991231000000 extends AbstractMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE IF NOT EXISTS later (id BINARY(16) NOT NULL, PRIMARY KEY (id))');
        $this->addSql('ALTER TABLE session_log ADD IF NOT EXISTS later INT DEFAULT NULL');
    }
}
`,
    );
    const began = Date.now();
    await event(
        'brought to another version',
        () => beside('upgrade', version),
        () => {},
    );
    const failed = failures.filter(([time]) => time >= began);
    if (failed.length > 0) {
        faults.push(`${failed.length} requests failed while another version was brought in, such as ${failed[0][1]}`);
    }
    if (rows('db2', "SHOW COLUMNS FROM lucid_ascent.session_log LIKE 'later'").length !== 1) {
        faults.push('the tables are not of the other version');
    }
};
const canCut = spawnSync('nft', ['list', 'tables']).status === 0;

/** A store of pictures that all nodes share. */
const STORE = `${FOLDER}-pictures`;
let store = null;
const storeBegins = () => {
    mkdirSync(`${STORE}/pictures`, { recursive: true });
    store = spawn('php', ['-S', '127.0.0.1:33430', 'tests/StandIn/s3.php'], {
        env: { ...process.env, S3_FOLDER: STORE, S3_KEY: 'storm', S3_SECRET: 'storm', PHP_CLI_SERVER_WORKERS: '4' },
        stdio: 'ignore',
        detached: true,
    });
};
let status;
const clean = () => {
    spawnSync('nft', ['delete', 'table', ...RULES.split(' ')]);
    spawnSync('bin/cluster', ['down'], { env });
    if (store !== null) {
        process.kill(-store.pid);
    }
    for (const node of ['db1', 'db2', 'db3', 'app1', 'app2', 'front', 'pictures', 'version', 'code', 'app1-proof']) {
        rmSync(`${FOLDER}-${node}`, { recursive: true, force: true });
    }
};
clean();
storeBegins();
try {
    const password = /password (\S+)/.exec(cluster('up'))[1];
    const first = await signIn(BASE, password);
    const turns = spawnSync('php', ['tests/Kills/turns.php', '33401', '33402'], {
        input: /^DB_APP_PASSWORD=(.*)$/m.exec(readFileSync(`${FOLDER}-db1/secrets`, 'utf8'))[1],
        encoding: 'utf8',
    });
    if (turns.status !== 0) {
        faults.push(`turns: ${turns.stdout}${turns.stderr}`);
    }
    // The tables' own people are left alone; a record of one of them is what all others are made of.
    const people = [...(await (await first(`${BASE}/`)).text()).matchAll(/href="(\/practitioners\/[0-9a-f-]{36})"/g)];
    let record = null;
    for (const [, person] of people) {
        const isWell =
            !(await page(first, BASE + person)).includes('On hold') &&
            (await first(`${BASE}${person}/ladder/pigeon/check/left`)).status === 200;
        if (isWell) {
            record = await (await first(`${BASE}${person}/record.json`)).text();
            break;
        }
    }
    const clients = Array.from({ length: CLIENTS }, () => new Client(password, record));
    for (const client of clients) {
        await client.begin();
    }
    // A page that one node has kept says what was written through the other.
    const [reader] = clients;
    const [here, elsewhere] = ['http://127.0.0.1:33411', 'http://127.0.0.1:33412'];
    for (const seen of [await page(reader.ask, here + reader.well), await page(reader.ask, here + reader.well)]) {
        if (seen.includes('On hold')) {
            faults.push('somebody who is well is on hold');
        }
    }
    [reader.painful, reader.well] = [reader.well, reader.painful];
    reader.plan = await planOf(elsewhere, reader.ask, reader.painful);
    await reader.log(elsewhere);
    if (!(await page(reader.ask, here + reader.painful)).includes('On hold')) {
        faults.push('a page that one node has kept does not say what was written through the other');
    }
    const began = Date.now();
    const writing = clients.map((client) => client.write());
    await wait(3000);
    if (FULL) {
        for (const node of ['db1', 'app1', 'db2', 'app2', 'db3']) {
            await killed(node);
        }
        for (const node of ['db1', 'app1', 'db2', 'app2', 'db3']) {
            await frozen(node);
        }
    } else {
        await killed('db1');
        await frozen('app1');
        await killed('app2');
        await frozen('db1');
    }
    if (canCut) {
        await cut('db1', 'db2');
    } else {
        console.log('No packet filter (nft) can be had here: nothing was cut.');
    }
    await upgraded();
    storms = false;
    await Promise.all(writing);
    const seconds = (Date.now() - began) / 1000;
    spawnSync('bin/cluster', ['up'], { env });
    storms = true;
    for (const client of clients) {
        await client.look();
    }
    const counts = [];
    for (const node of ['db1', 'db2', 'db3']) {
        const there = { import: rows(node, "SELECT name FROM lucid_ascent.practitioner WHERE name LIKE 'Storm %'") };
        for (const [kind, table] of Object.entries(tables)) {
            there[kind] = rows(node, `SELECT LOWER(HEX(id)) FROM lucid_ascent.${table}`);
        }
        for (const [kind, ids] of Object.entries(promised)) {
            const known = new Set(there[kind]);
            const lost = [...ids].filter((id) => !known.has(kind === 'import' ? id : id.replaceAll('-', '')));
            if (lost.length > 0) {
                faults.push(`${node} has lost ${lost.length} of kind ${kind}`);
            }
            if (known.size !== there[kind].length) {
                faults.push(`${node} has ${there[kind].length - known.size} twice of kind ${kind}`);
            }
        }
        const pains = rows(node, 'SELECT COUNT(*), COUNT(DISTINCT source) FROM lucid_ascent.pain_said')[0];
        const [said, distinct] = pains.split('\t').map(Number);
        counts.push(`${node}: ${Object.values(there).map((all) => all.length)}; pain ${said}`);
        if (said < promised.log.size || said !== distinct) {
            faults.push(`${node}: ${said} pains of ${distinct} sources, ${promised.log.size} were said`);
        }
        if (there.picture.length < promised.picture.size) {
            faults.push(`${node}: pictures are gone`);
        }
    }
    if (FULL) {
        const copied = mkdtempSync('/tmp/storm-');
        const made = spawnSync('bin/backup', [copied], { env: { ...env, ASCENT_ENV: 'storm-app1' }, encoding: 'utf8' });
        if (made.status !== 0) {
            faults.push(`no backup is made: ${made.stderr}`);
        }
        rmSync(copied, { recursive: true });
    }
    const stored = new Set(readdirSync(`${STORE}/pictures`));
    const missing = [...promised.picture].filter((id) => !stored.has(id));
    if (missing.length > 0) {
        faults.push(`${missing.length} pictures are not in their store`);
    }
    if (new Set(counts.map((count) => count.slice(3))).size > 1) {
        faults.push(`the nodes do not agree: ${counts.join(' | ')}`);
    }
    const chain = inCluster(
        `at front
        load_secrets
        DATABASE_AT=127.0.0.1:$FIRST_PORT
        code_of_nodes
        DATABASE_URL=$(db_url app "$DB_APP_PASSWORD" lucid_ascent)
        console_as_service ascent:audit || true`,
    );
    if (!/^\d+:[0-9a-f]+$/m.test(chain.split('\n').at(-1))) {
        faults.push(`the trail is not whole: ${chain}`);
    }
    console.log(
        `${answers.length} answers in ${seconds.toFixed(0)} s; promised ${Object.entries(promised)
            .map(([kind, ids]) => `${kind} ${ids.size}`)
            .join(', ')}; ${slowest} ms the slowest until it was taken`,
    );
    if (Object.values(promised).some((ids) => ids.size < CLIENTS)) {
        faults.push('hardly anything was written');
    }
    status = faults.length === 0 ? 0 : 1;
} finally {
    storms = false;
    if (process.env.NODES_LEAVE !== '1') {
        clean();
    }
}
for (const fault of new Set(faults)) {
    console.log(`FAULT: ${fault}`);
}
console.log(status === 0 ? 'ok' : 'FAULT');
process.exit(status);
