import { say } from '@tufa/words';
import { useRef, useState } from 'react';
import { Text, View } from 'react-native';
import { useSpeaker } from '../phone/speaker';

const KNOB = 88;

/**
 * For what cannot be undone: a short slide, which a drop of water or a sleeve does not make. With the keyboard, or for
 * whoever cannot drag, pressing twice does the same.
 */
export function Slide({ label, onSlid }: { label: string; onSlid: () => void }) {
  const speaker = useSpeaker();
  const track = useRef<View>(null);
  const knob = useRef<View>(null);
  const from = useRef<number | null>(null);
  const [at, setAt] = useState(0);
  const [armed, setArmed] = useState(false);
  const reach = (): number => (track.current as unknown as HTMLElement).getBoundingClientRect().width - KNOB;
  const moved = useRef(0);
  const pointer = {
    onPointerDown: ({ nativeEvent }: { nativeEvent: PointerEvent }) => {
      from.current = nativeEvent.clientX;
      moved.current = 0;
      (knob.current as unknown as HTMLElement).setPointerCapture(nativeEvent.pointerId);
    },
    onPointerMove: ({ nativeEvent }: { nativeEvent: PointerEvent }) => {
      if (from.current === null) return;
      moved.current = nativeEvent.clientX - from.current;
      setAt(Math.max(0, Math.min(reach(), moved.current)));
    },
    onPointerUp: () => {
      from.current = null;
      setAt(0);
      if (moved.current > reach() * 0.85) onSlid();
    },
    onPointerCancel: () => {
      from.current = null;
      setAt(0);
    },
  };
  const press = (): void => (armed ? onSlid() : setArmed(true));
  return (
    <View ref={track} className="h-[64px] justify-center border-2 border-stop bg-sheet" testID="slide">
      <Text className="font-text text-center text-16 font-bold text-stop" style={{ paddingLeft: KNOB }}>
        {armed ? say(speaker, 'slide.again', { what: label }) : label}
      </Text>
      <View
        ref={knob}
        role="button"
        tabIndex={0}
        aria-label={armed ? say(speaker, 'slide.again', { what: label }) : say(speaker, 'slide.how', { what: label })}
        className="absolute bottom-0 top-0 items-center justify-center bg-stop"
        style={{ width: KNOB, left: at, touchAction: 'none', cursor: 'grab' } as object}
        {...(pointer as object)}
        {...({
          onKeyDown: (event: { key: string; preventDefault: () => void }) => {
            if (event.key !== 'Enter' && event.key !== ' ') return;
            event.preventDefault();
            press();
          },
          onClick: () => {
            // The end of a slide is no press.
            if (Math.abs(moved.current) < 8) press();
          },
        } as object)}
      >
        <Text className="font-head text-32 font-bold text-ground">{'\u203a\u203a'}</Text>
      </View>
    </View>
  );
}
