// How what is left of an item is counted: by time, by breaths, or by what is repeated.
import { t } from './texts.js';

const CUE_SECONDS = 20;

/** Minutes and seconds: "4:05". */
export const clock = (left) => `${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')}`;
// As the plan counts it: breaths, or which repetition it is and whether to press or to yield; else by time.
const counted = ({ seconds, breaths, repetitions, press }, left) => {
    if (breaths) {
        return {
            text: t('clock.breaths', { count: Math.ceil((left * breaths) / seconds) }),
            breath: seconds / breaths,
        };
    }
    if (!repetitions) {
        return { text: clock(left), breath: 0 };
    }
    const over = ((seconds - left) * repetitions) / seconds;
    const which = t('clock.of', { now: Math.min(repetitions, Math.floor(over) + 1), all: repetitions });
    return { text: press ? `${which} ${over % 1 < press ? t('clock.press') : t('clock.yield')}` : which, breath: 0 };
};

/** What is shown, and how many seconds a breath has; none where nobody counts breaths. */
export const paced = (item, left, pace) => {
    if (pace === 'plan') {
        return counted(item, left);
    }
    return pace === 'time'
        ? { text: clock(left), breath: 0 }
        : { text: t('clock.breaths', { count: Math.ceil(left / Number(pace)) }), breath: Number(pace) };
};

/** One cue at a time, and long enough to be done. */
export const cueAt = ({ cues, seconds }, left) =>
    cues.length > 0 ? cues[Math.floor((seconds - left) / CUE_SECONDS) % cues.length] : '';
