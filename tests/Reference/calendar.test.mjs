// The calendar file against a second library (ical.js), and RFC 5545's rules on UIDs, updates and cancellations.
import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { test } from 'node:test';
import ICAL from 'ical.js';

const text = execFileSync('php', ['tests/Reference/calendar.php']).toString();
const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent');
const on = (day) => events.filter((event) => event.getFirstPropertyValue('uid').includes(day));

test('every day has one event with a stable UID', () => {
    assert.equal(events.length, 4);
    assert.equal(new Set(events.map((event) => event.getFirstPropertyValue('uid'))).size, 4);
    assert.match(on('2026-03-28')[0].getFirstPropertyValue('uid'), /^session-01890a5d-.*-2026-03-28@/);
});

test('half past six stays half past six when the clocks change', () => {
    const start = (day) => on(day)[0].getFirstPropertyValue('dtstart').toJSDate().toISOString();
    assert.equal(start('2026-03-28'), '2026-03-28T17:30:00.000Z');
    assert.equal(start('2026-03-29'), '2026-03-29T16:30:00.000Z');
    const event = new ICAL.Event(on('2026-03-28')[0]);
    assert.equal(event.duration.toSeconds(), 45 * 60);
});

test('what a newer plan no longer has is cancelled, what is past is not', () => {
    assert.equal(on('2026-03-31')[0].getFirstPropertyValue('status'), 'CANCELLED');
    assert.equal(on('2026-03-19')[0].getFirstPropertyValue('status'), 'CONFIRMED');
    assert.ok(events.every((event) => Number(event.getFirstPropertyValue('sequence')) === 2));
    assert.equal(on('2026-03-31')[0].getAllSubcomponents('valarm').length, 0);
    assert.equal(
        on('2026-03-28')[0].getFirstSubcomponent('valarm').getFirstPropertyValue('trigger').toString(),
        '-PT30M',
    );
});

test('lines are folded and texts escaped', () => {
    assert.ok(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75));
    assert.match(events[0].getFirstPropertyValue('summary'), /^Practice; with commas, and/);
});
