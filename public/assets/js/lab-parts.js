// Parts of the lab's page: elements, dials and tables.
import { number, t } from './texts.js';

export const element = (name, text = '', className = '') => {
    const made = document.createElement(name);
    made.textContent = text;
    if (className) {
        made.className = className;
    }
    return made;
};

// A dial from 0° at the left over the top to 180° at the right: what is there, what is asked, what is missing.
const NS = 'http://www.w3.org/2000/svg';
const point = (degrees, radius) => {
    const a = Math.PI - (Math.max(0, Math.min(180, degrees)) * Math.PI) / 180;
    return [50 + radius * Math.cos(a), 50 - radius * Math.sin(a)].map((v) => v.toFixed(2));
};
const arc = (from, to) => `M${point(from, 42)}A42 42 0 0 1 ${point(to, 42)}`;
const part = (svg, className, d) => {
    const path = document.createElementNS(NS, 'path');
    path.setAttribute('class', className);
    path.setAttribute('d', d);
    svg.append(path);
};

export const dial = (name, { asked, has, standIn }) => {
    const box = element('div', '', 'dial');
    const svg = document.createElementNS(NS, 'svg');
    svg.setAttribute('viewBox', '0 0 100 54');
    svg.setAttribute('aria-hidden', 'true');
    part(svg, 'scale', arc(0, 180));
    if (has !== null) {
        part(svg, standIn ? 'there stand-in' : 'there', arc(0, has));
        if (asked > has) {
            part(svg, 'missing', arc(has, asked));
        }
    }
    part(svg, 'asked', `M${point(asked, 34)}L${point(asked, 50)}`);
    box.append(
        svg,
        element('strong', name),
        element('div', t('lab.asks', { degrees: number(asked, 0) }), 'figures small'),
    );
    if (has !== null) {
        box.append(
            element(
                'div',
                asked > has
                    ? t('lab.missing.degrees', { degrees: number(asked - has, 0) })
                    : t('lab.spare', { degrees: number(has - asked, 0) }),
                asked > has ? 'missing-text small' : 'small',
            ),
        );
    }
    return box;
};

export const table = (caption, heads, rows) => {
    const made = element('table', '', 'plain');
    made.append(element('caption', caption, 'unseen'));
    const head = element('tr');
    heads.forEach((text) => {
        const th = element('th', text);
        th.scope = 'col';
        head.append(th);
    });
    const thead = element('thead');
    thead.append(head);
    const body = element('tbody');
    rows.forEach(([first, ...cells]) => {
        const row = element('tr');
        const th = element('th', first);
        th.scope = 'row';
        row.append(
            th,
            ...cells.map((cell) => {
                const td = element('td');
                td.append(...[cell].flat().map((text, i) => element('span', text, i === 0 ? 'figures' : 'soft small')));
                return td;
            }),
        );
        body.append(row);
    });
    made.append(thead, body);
    return made;
};
