import { useEffect, useState } from 'react';
import { localVoice } from '../parts/phone/localVoice';

/** Lines read aloud one after another, hands free; null where the browser cannot, or has no voice of its own on the device. */
export function useAloud(lines: readonly string[]): { readonly reading: boolean; readonly toggle: () => void } | null {
  const [reading, setReading] = useState(false);
  const [voice, setVoice] = useState<SpeechSynthesisVoice | undefined>();
  const speech = typeof window === 'undefined' ? undefined : window.speechSynthesis;
  useEffect(() => {
    if (!speech) return undefined;
    // Voices come a while after the page.
    const look = (): void => setVoice(localVoice(speech, 'en'));
    look();
    speech.addEventListener('voiceschanged', look);
    return () => {
      speech.removeEventListener('voiceschanged', look);
      speech.cancel();
    };
  }, [speech]);
  if (!speech || !voice) return null;
  const toggle = (): void => {
    speech.cancel();
    if (reading) return setReading(false);
    setReading(true);
    lines.forEach((line, i) => {
      const said = new SpeechSynthesisUtterance(line);
      said.voice = voice;
      said.rate = 0.9;
      if (i === lines.length - 1) said.onend = () => setReading(false);
      speech.speak(said);
    });
    return undefined;
  };
  return { reading, toggle };
}
