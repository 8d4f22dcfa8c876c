import { localVoice } from '../parts/phone/localVoice';

let context: AudioContext | null = null;
let sounding: OscillatorNode[] = [];

/** Sound may only start from a tap: the start tap unlocks it. */
export function unlockSound(): void {
  try {
    context ??= new AudioContext();
    void context.resume();
  } catch {
    context = null;
  }
}

/** Where the page is not looked at a notification says it, if somebody has allowed that. */
function notify(text: string): void {
  if (document.visibilityState === 'visible' || typeof Notification === 'undefined' || Notification.permission !== 'granted') return;
  // A browser without a worker of its own for the page has no notifications either.
  navigator.serviceWorker?.ready.then((worker) => worker.showNotification(text, { tag: 'tufa-pour' })).catch(() => undefined);
}

/** What is said aloud, by a voice of the device alone. */
function speak(text: string): void {
  const speech = window.speechSynthesis as SpeechSynthesis | undefined;
  const voice = speech && localVoice(speech, 'en');
  if (!speech || !voice) return;
  const said = new SpeechSynthesisUtterance(text);
  said.voice = voice;
  speech.speak(said);
}

/** Three short tones, higher the more urgent, the phone's buzz where it has one, and the words of it. */
export function ring(urgent: boolean, text = ''): void {
  navigator.vibrate?.(urgent ? [300, 100, 300, 100, 300] : [200, 100, 200]);
  if (text !== '') {
    notify(text);
    speak(text);
  }
  if (!context) return;
  for (let i = 0; i < 3; i += 1) {
    const tone = context.createOscillator();
    const volume = context.createGain();
    const at = context.currentTime + i * 0.35;
    tone.frequency.value = urgent ? 1320 : 880;
    volume.gain.setValueAtTime(0.4, at);
    volume.gain.exponentialRampToValueAtTime(0.001, at + 0.3);
    tone.connect(volume).connect(context.destination);
    tone.start(at);
    tone.stop(at + 0.3);
    sounding = [...sounding.slice(-2), tone];
  }
}

/** Stops whatever sounds, shakes or speaks. */
export function silence(): void {
  navigator.vibrate?.(0);
  (window.speechSynthesis as SpeechSynthesis | undefined)?.cancel();
  for (const tone of sounding) tone.disconnect();
  sounding = [];
}
