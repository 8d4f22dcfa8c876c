import { say } from '@tufa/words';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { Button } from '../parts/ui/Button';
import { Sheet } from '../parts/ui/Sheet';
import { T } from '../parts/ui/T';
import { useSpeaker } from '../parts/phone/speaker';

/** The camera with the picture of before over it, half seen, so that the same place is stood on again. */
export function Camera({ ghost, onTake, onClose }: { ghost: string | null; onTake: (picture: Blob) => void; onClose: () => void }) {
  const speaker = useSpeaker();
  const video = useRef<HTMLVideoElement>(null);
  const [refused, setRefused] = useState(false);
  useEffect(() => {
    let stream: MediaStream | null = null;
    let gone = false;
    const open = async (): Promise<void> => {
      const got = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment', width: { ideal: 1920 } } });
      if (gone) return got.getTracks().forEach((track) => track.stop());
      stream = got;
      if (video.current) video.current.srcObject = got;
    };
    Promise.resolve()
      .then(open)
      .catch(() => setRefused(true));
    return () => {
      gone = true;
      stream?.getTracks().forEach((track) => track.stop());
    };
  }, []);
  const take = (): void => {
    const seen = video.current;
    if (!seen || seen.videoWidth === 0) return;
    const canvas = document.createElement('canvas');
    canvas.width = seen.videoWidth;
    canvas.height = seen.videoHeight;
    canvas.getContext('2d')?.drawImage(seen, 0, 0);
    canvas.toBlob((picture) => picture && onTake(picture), 'image/jpeg', 0.92);
  };
  return (
    <Sheet title={say(speaker, ghost ? 'photo.after' : 'photo.camera')} onClose={onClose}>
      {refused ? (
        <T tone="caution">{say(speaker, 'photo.refused')}</T>
      ) : (
        <>
          <View>
            <video
              ref={video}
              autoPlay
              playsInline
              muted
              aria-label={say(speaker, 'photo.camera')}
              style={{ width: '100%', display: 'block', background: '#000' }}
            />
            {ghost ? (
              <img
                src={ghost}
                alt={say(speaker, 'photo.ghost')}
                style={{ position: 'absolute', left: 0, top: 0, width: '100%', height: '100%', objectFit: 'cover', opacity: 0.45 }}
              />
            ) : null}
          </View>
          <Button label={say(speaker, 'photo.take')} tone="act" big onPress={take} />
        </>
      )}
    </Sheet>
  );
}
