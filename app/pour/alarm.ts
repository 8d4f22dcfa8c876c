let context: AudioContext | null = null;

/** Sound may only start from a tap: the start tap unlocks it. */
export function unlockSound(): void {
  try {
    context ??= new AudioContext();
    void context.resume();
  } catch {
    context = null;
  }
}

/** Three short tones, higher the more urgent, and the phone's buzz where it has one. */
export function ring(urgent: boolean): void {
  navigator.vibrate?.(urgent ? [300, 100, 300, 100, 300] : [200, 100, 200]);
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
  }
}
