/** A voice that is on the device: what is read never leaves it. */
export const localVoice = (speech: SpeechSynthesis, language: string): SpeechSynthesisVoice | undefined =>
  speech.getVoices().find((voice) => voice.localService && voice.lang.toLowerCase().startsWith(language)) ?? undefined;
