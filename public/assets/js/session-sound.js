// A tone, a voice and a screen that stays on, as far as the device has them.
const TONE_HZ = 392;
const voice = globalThis.speechSynthesis;
let lock = null;

export const hasVoice = Boolean(voice);
export const tone = () => {
    const audio = new AudioContext();
    const gain = new GainNode(audio, { gain: 0.05 });
    const oscillator = new OscillatorNode(audio, { frequency: TONE_HZ });
    oscillator.connect(gain).connect(audio.destination);
    oscillator.start();
    oscillator.stop(audio.currentTime + 0.6);
};
export const speak = (text) => {
    if (voice && text) {
        voice.cancel();
        voice.speak(new SpeechSynthesisUtterance(text));
    }
};
export const awake = async () => {
    try {
        lock = await navigator.wakeLock?.request('screen');
    } catch {
        lock = null;
    }
};
export const asleep = () => lock?.release();
