import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { check, launch, measured, open, signIn, teacher } from './browser.mjs';

let browser;
let room;
let home;
before(async () => {
    browser = await launch();
    teacher('picture@studio.example');
    room = await open(browser);
    await signIn(room, 'picture@studio.example');
    home = await measured(room, 'Somebody In A Picture');
});
after(() => browser.close());

test('a picture of a rung is marked by mouse and keys beside its drawing, and kept', async () => {
    await room.goto(`${home}/ladder/pigeon`);
    await room.locator('.stair summary').first().click();
    await room.getByRole('link', { name: 'Picture, left' }).first().click();
    await room.getByRole('heading', { name: 'Picture, left side' }).waitFor();
    await check(room);
    const save = room.getByRole('button', { name: 'Save the picture with the record' });
    assert.ok(await save.isDisabled());
    await room
        .getByLabel('Picture (JPEG or PNG, up to 8 MB)')
        .setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') });
    await room.getByText('A picture is a JPEG or PNG of up to 8 MB.').waitFor();
    await room
        .getByLabel('Picture (JPEG or PNG, up to 8 MB)')
        .setInputFiles({ name: 'rung.png', mimeType: 'image/png', buffer: await room.screenshot() });
    await room.getByLabel('Taken from').selectOption('side');
    const canvas = room.locator('canvas');
    await canvas.click({ position: { x: 200, y: 200 } });
    await room.getByText('Mark 7 points or more.').waitFor();
    // The next point is chosen by itself; arrow keys put one in the middle, and move it from there.
    assert.ok(await room.getByRole('radio', { name: 'Other hip', exact: true }).isChecked());
    await canvas.focus();
    for (const key of ['ArrowRight', 'Shift+ArrowDown', 'Shift+ArrowDown']) {
        await room.keyboard.press(key);
    }
    for (const [i, name] of ['Knee', 'Ankle', 'Big toe', 'Shoulder', 'Base of the neck', 'Other knee'].entries()) {
        await room.getByRole('radio', { name, exact: true }).check();
        await canvas.click({ position: { x: 40 + 30 * i, y: 40 + 30 * i } });
    }
    await room.getByText('These points').first().waitFor();
    await save.press('Enter');
    await room.getByText('The picture is saved, without place, time and camera.').waitFor();
    await room.reload();
    await room.getByRole('heading', { name: 'Saved pictures' }).waitFor();
    assert.equal(await room.locator('.two-pictures img').count(), 1);
    await check(room);
});
