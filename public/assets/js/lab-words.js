// What the lab says of an answer, in words.
import { t } from './texts.js';

export const NAMES = {
    rotation: t('Rotation'),
    abduction: t('Abduction'),
    flexion: t('Flexion'),
    kneeFlexion: t('Knee flexion'),
};
export const PROPS = {
    seat: t('Seat'),
    kneeHeight: t('Knee block'),
    ankleHeight: t('Ankle block'),
    hipHeight: t('Hip block'),
    shinAngle: t('Shin slanted'),
    heelDistance: t('Heels out'),
    pelvicTilt: t('Pelvis tucked'),
    rounding: t('Back rounded'),
};
const ANGLES = ['shinAngle', 'pelvicTilt', 'rounding'];
export const signed = (value, digits = 0) => {
    const text = Math.abs(value).toFixed(digits);
    const sign = Number(text) === 0 ? '' : value < 0 ? '−' : '+';
    return sign + text;
};
export const unit = (prop) => (ANGLES.includes(prop) ? '°' : ' cm');

export const sentenceOf = ({ components, atKnee, knee, strap, conditioning }) => {
    const missing = Object.entries(components).filter(([, { asked, has }]) => asked > has);
    const parts = [];
    if (missing.length === 0) {
        parts.push(t('Nothing is missing here.'));
    } else {
        parts.push(
            t(
                'Missing: %1%.',
                missing
                    .map(([name, { asked, has }]) =>
                        t('%1%° of %2%', (asked - has).toFixed(0), NAMES[name].toLowerCase()),
                    )
                    .join(', '),
            ),
        );
    }
    if (atKnee > 0) {
        parts.push(t('Drawn into place, %1%° would come from the knee.', atKnee.toFixed(0)));
    }
    if (knee?.lowest !== null && knee?.lowest !== undefined) {
        parts.push(
            t(
                'The knee may come down to %1% cm; %2% sets that.',
                knee.lowest.toFixed(1),
                knee.limiter === 'floor' ? t('the floor') : NAMES[knee.limiter].toLowerCase(),
            ),
        );
        if (knee.longShin && knee.proportion > 0) {
            parts.push(t('%1% cm of it come from a long shin.', knee.proportion.toFixed(1)));
        }
    } else if (knee) {
        const ways = [
            knee.tuck === null ? '' : t('tucks by %1%°', Math.ceil(knee.tuck)),
            knee.seat === null ? '' : t('sits %1% cm high', knee.seat.toFixed(1)),
        ].filter(Boolean);
        parts.push(
            ways.length
                ? t('No knee height fits with an upright pelvis, unless it %1%.', ways.join(t(' or ')))
                : t('No knee height fits with an upright pelvis.'),
        );
    }
    if (strap !== null) {
        parts.push(t('Strap: %1% cm.', strap.toFixed(0)));
    }
    if (conditioning) {
        parts.push(
            conditioning.betterHeels === null
                ? t('So tightly folded a knee reads the hip poorly.')
                : t(
                      'So tightly folded a knee reads the hip poorly; heels at %1% cm tell more.',
                      conditioning.betterHeels.toFixed(0),
                  ),
        );
    }
    return parts.join(' ');
};
