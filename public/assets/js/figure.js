// Draws both legs to scale from points in cm, from above, from behind (or the front) and from the
// side. Every point comes from the server; nothing is computed here but where it goes on paper.
import { t } from './texts.js';

const NS = 'http://www.w3.org/2000/svg';
const GRID = 10;
const DECIMALS = 1;

const make = (name, attributes, parent) => {
    const element = document.createElementNS(NS, name);
    for (const [key, value] of Object.entries(attributes)) {
        element.setAttribute(key, typeof value === 'number' ? value.toFixed(2) : value);
    }
    parent?.append(element);
    return element;
};

// A view maps a point of a leg's own frame (forward, outward, up) to paper; `sign` is −1 for the left leg.
const views = (front) => [
    { name: t('From above'), box: [-70, -80, 140, 104], project: ([x, y], sign) => [sign * y, -x] },
    {
        name: front ? t('From the front') : t('From behind'),
        box: [-70, -80, 140, 104],
        project: ([, y, z], sign) => [sign * y, -z],
        floor: true,
        heights: true,
    },
    { name: t('From the side'), box: [-45, -80, 140, 104], project: ([x, , z]) => [x, -z], floor: true, side: true },
];

const line = (points) => `M${points.map(([x, y]) => `${x.toFixed(2)} ${y.toFixed(2)}`).join('L')}`;

const drawGrid = (svg, [x, y, width, height], view) => {
    let path = '';
    for (let gx = Math.ceil(x / GRID) * GRID; gx <= x + width; gx += GRID) {
        path += `M${gx} ${y}v${height}`;
    }
    for (let gy = Math.ceil(y / GRID) * GRID; gy <= y + height; gy += GRID) {
        path += `M${x} ${gy}h${width}`;
    }
    make('path', { class: 'grid', d: path }, svg);
    if (!view.side) {
        make('path', { class: 'midline', d: `M0 ${y}v${height}` }, svg);
    }
    if (view.floor) {
        make('path', { class: 'floor', d: `M${x} 0h${width}` }, svg);
    }
};

const drawProps = (svg, view, { seat, legs }, mirror) => {
    if (!view.floor) {
        return;
    }
    if (seat > 0) {
        make(
            'rect',
            { class: 'prop', x: view.side ? -16 : -20, y: -seat, width: view.side ? 26 : 40, height: seat },
            svg,
        );
    }
    for (const [side, leg] of Object.entries(legs)) {
        if (leg?.block) {
            const [kx] = view.project(leg.knee, (side === 'left' ? -1 : 1) * mirror);
            make('rect', { class: 'prop', x: kx - 6, y: -leg.block, width: 12, height: leg.block }, svg);
        }
    }
};

const drawLeg = (svg, view, leg, sign, isOther, heights) => {
    const points = [leg.hip, leg.knee, leg.ankle].map((point) => view.project(point, sign));
    make('path', { class: 'flesh', d: line(points) }, svg);
    make('path', { class: isOther ? 'bone other' : 'bone', d: line(points) }, svg);
    for (const [cx, cy] of points) {
        make('circle', { class: 'joint', cx, cy, r: 2 }, svg);
    }
    if (view.heights && !isOther && heights) {
        const [kx, ky] = points[1];
        const at = kx + sign * 7;
        make('path', { class: 'dimension', d: `M${at - 2} ${ky}h4M${at} ${ky}V0` }, svg);
        const label = make('text', { class: 'dimension-text', x: at, y: ky - 3, 'text-anchor': 'middle' }, svg);
        label.textContent = leg.knee[2].toFixed(DECIMALS);
    }
};

const drawTorso = (svg, view, torso) => {
    if (torso && view.floor) {
        const points = torso.map((place) => view.project(place, 1));
        make('path', { class: 'torso', d: line(points) }, svg);
        const [x, y] = points[points.length - 1];
        make('circle', { class: 'torso', cx: x, cy: y, r: 2 }, svg);
    }
};

// From above, the paper is laid so that what is drawn fits: mostly ahead of the hips, or half behind them.
const BEHIND = -25;
const boxOf = (view, legs) => {
    if (view.floor) {
        return view.box;
    }
    const behind = legs.some(([, leg]) => [leg.knee, leg.ankle].some(([x]) => x < BEHIND));
    const [x, , width, height] = view.box;
    return [x, behind ? -height / 2 : 8 - height, width, height];
};

// A sheet's drawing fits its paper to the posture, at one scale for the three views.
const MARGIN = 14;
const fitted = (scene, mirror, all) => {
    const spans = all.map((view) => {
        const points = (scene.torso ?? []).map((place) => view.project(place, 1));
        for (const [side, leg] of Object.entries(scene.legs)) {
            const sign = (side === 'left' ? -1 : 1) * mirror;
            points.push(...(leg ? [leg.hip, leg.knee, leg.ankle] : []).map((place) => view.project(place, sign)));
        }
        if (view.floor) {
            points.push([0, 0]);
        }
        const low = [0, 1].map((axis) => Math.min(...points.map((point) => point[axis])));
        const high = [0, 1].map((axis) => Math.max(...points.map((point) => point[axis])));
        return { low, high };
    });
    const [, , width, height] = all[0].box;
    const scale = Math.max(
        1,
        ...spans.map(({ low, high }) =>
            Math.max((high[0] - low[0] + 2 * MARGIN) / width, (high[1] - low[1] + 2 * MARGIN) / height),
        ),
    );
    return spans.map(({ low, high }) => [
        (low[0] + high[0] - width * scale) / 2,
        high[1] + MARGIN - height * scale,
        width * scale,
        height * scale,
    ]);
};

const drawView = (view, scene, mirror, paper) => {
    const figure = document.createElement('figure');
    const legs = Object.entries(scene.legs).filter(([, leg]) => leg);
    const box = paper ?? boxOf(view, legs);
    const svg = make('svg', { viewBox: box.join(' '), 'aria-hidden': 'true' }, figure);
    drawGrid(svg, box, view);
    drawProps(svg, view, scene, mirror);
    drawTorso(svg, view, scene.torso);
    if (legs.length === 2 && !view.side) {
        const hips = legs.map(([side, leg]) => view.project(leg.hip, (side === 'left' ? -1 : 1) * mirror));
        make('path', { class: 'bone', d: line(hips) }, svg);
    }
    for (const [side, leg] of legs) {
        const sign = (side === 'left' ? -1 : 1) * mirror;
        drawLeg(svg, view, leg, sign, scene.main ? side !== scene.main : view.side && side === 'right', !scene.fit);
        if (!view.side) {
            const label = make(
                'text',
                { x: sign < 0 ? box[0] + 8 : box[0] + box[2] - 8, y: box[1] + 8, 'text-anchor': 'middle' },
                svg,
            );
            label.textContent = side === 'left' ? 'L' : 'R';
        }
    }
    const caption = document.createElement('figcaption');
    caption.textContent =
        view.side && legs.length === 2
            ? t(scene.main ? '%1% (other leg dashed)' : '%1% (right leg dashed)', view.name)
            : view.name;
    figure.append(caption);
    return figure;
};

/**
 * Draws a scene: {legs: {left, right}, seat, torso?, main?}; a leg is {hip, knee, ankle, block?} in cm, or null.
 * With a main side, the other leg is dashed in every view.
 */
export const draw = (element, scene) => {
    element.scene = scene;
    const front = document.documentElement.dataset.facing === 'front';
    const mirror = front ? -1 : 1;
    const all = views(front);
    const papers = scene.fit ? fitted(scene, mirror, all) : [];
    element.replaceChildren(...all.map((view, i) => drawView(view, scene, mirror, papers[i])));
};

for (const element of document.querySelectorAll('.leg-figure[data-legs]')) {
    const { scene, legs, seat } = element.dataset;
    draw(element, scene ? JSON.parse(scene) : { legs: JSON.parse(legs), seat: Number(seat) });
}
document.addEventListener('facing', () => {
    for (const element of document.querySelectorAll('.leg-figure')) {
        draw(element, element.scene);
    }
});
