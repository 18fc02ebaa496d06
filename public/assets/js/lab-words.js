// What the lab says of an answer, in words.
import { anyOf, number, t } from './texts.js';

export const NAMES = {
    rotation: t('ability.rotation'),
    abduction: t('ability.abduction'),
    flexion: t('ability.flexion'),
    kneeFlexion: t('ability.kneeFlexion'),
};
export const PROPS = {
    seat: t('lab.prop.seat'),
    kneeHeight: t('lab.prop.knee'),
    ankleHeight: t('lab.prop.ankle'),
    hipHeight: t('lab.prop.hip'),
    shinAngle: t('lab.prop.shin'),
    heelDistance: t('lab.prop.heels'),
    pelvicTilt: t('lab.prop.pelvis'),
    rounding: t('lab.prop.rounding'),
};
const ANGLES = ['shinAngle', 'pelvicTilt', 'rounding'];
export const signed = (value, digits = 0) => {
    const text = number(Math.abs(value), digits);
    const sign = Number(Math.abs(value).toFixed(digits)) === 0 ? '' : value < 0 ? '−' : '+';
    return sign + text;
};
export const unit = (prop) => (ANGLES.includes(prop) ? '°' : ' cm');

export const sentenceOf = ({ components, atKnee, knee, strap, conditioning }) => {
    const missing = Object.entries(components).filter(([, { asked, has }]) => asked > has);
    const parts = [];
    if (missing.length === 0) {
        parts.push(t('lab.fits'));
    } else {
        parts.push(
            t('lab.missing', {
                what: missing
                    .map(([name, { asked, has }]) =>
                        t('lab.missing.part', { degrees: number(asked - has, 0), what: NAMES[name].toLowerCase() }),
                    )
                    .join(', '),
            }),
        );
    }
    if (atKnee > 0) {
        parts.push(t('lab.knee', { degrees: number(atKnee, 0) }));
    }
    if (knee?.lowest !== null && knee?.lowest !== undefined) {
        parts.push(
            t('lab.lowest', {
                cm: number(knee.lowest, 1),
                what: knee.limiter === 'floor' ? t('lab.floor') : NAMES[knee.limiter].toLowerCase(),
            }),
        );
        if (knee.longShin && knee.proportion > 0) {
            parts.push(t('lab.long_shin', { cm: number(knee.proportion, 1) }));
        }
    } else if (knee) {
        const ways = [
            knee.tuck === null ? '' : t('lab.way.tuck', { degrees: Math.ceil(knee.tuck) }),
            knee.seat === null ? '' : t('lab.way.seat', { cm: number(knee.seat, 1) }),
        ].filter(Boolean);
        parts.push(ways.length ? t('lab.no_knee.ways', { ways: anyOf(ways) }) : t('lab.no_knee'));
    }
    if (strap !== null) {
        parts.push(t('lab.strap', { cm: number(strap, 0) }));
    }
    if (conditioning) {
        parts.push(
            conditioning.betterHeels === null
                ? t('bench.tight')
                : t('lab.tight', { cm: number(conditioning.betterHeels, 0) }),
        );
    }
    return parts.join(' ');
};
