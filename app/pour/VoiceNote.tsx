import { VOICE } from '@tufa/contract/letter';
import { say } from '@tufa/words';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { keepVoice } from '../photos/letters';
import { PhotoFault } from '../photos/photographs';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { T } from '../parts/ui/T';

/** A note that is spoken: recorded while the browser can, kept as it is and never sent anywhere to be understood. Nothing where it cannot. */
export function VoiceNote({ onKept }: { onKept: (id: string) => void }) {
  const speaker = useSpeaker();
  const recorder = useRef<MediaRecorder | null>(null);
  const [recording, setRecording] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  useEffect(() => () => recorder.current?.stop(), []);
  if (typeof MediaRecorder === 'undefined' || !navigator.mediaDevices) return null;
  const keep = async (voice: Blob): Promise<void> => {
    if (voice.size === 0) return;
    try {
      onKept(await keepVoice(voice));
    } catch (error) {
      if (!(error instanceof PhotoFault)) throw error;
      setFault(say(speaker, 'pour.voiceRoom'));
    }
  };
  const start = async (): Promise<void> => {
    setFault(null);
    const stream = await navigator.mediaDevices.getUserMedia({ audio: true }).catch(() => null);
    if (!stream) return setFault(say(speaker, 'pour.voiceRefused'));
    const parts: Blob[] = [];
    const made = new MediaRecorder(stream, { audioBitsPerSecond: 24_000 });
    made.ondataavailable = ({ data }) => void parts.push(data);
    made.onstop = () => {
      stream.getTracks().forEach((track) => track.stop());
      recorder.current = null;
      setRecording(false);
      // The firm is told the kind of sound alone, without how it is coded.
      void keep(new Blob(parts, { type: made.mimeType.split(';')[0] ?? '' }));
    };
    recorder.current = made;
    made.start();
    setRecording(true);
    setTimeout(() => made.state === 'recording' && made.stop(), VOICE.most_s * 1000);
    return undefined;
  };
  return (
    <View className="gap-1">
      <Button
        label={say(speaker, recording ? 'pour.voiceStop' : 'pour.voice')}
        tone={recording ? 'stop' : 'plain'}
        onPress={() => (recording ? recorder.current?.stop() : void start())}
        testID="voice"
      />
      {fault ? (
        <View role="alert">
          <T tone="stop">{fault}</T>
        </View>
      ) : null}
    </View>
  );
}
