import { say } from '@tufa/words';
import { useEffect, useRef, type ReactNode } from 'react';
import { View } from 'react-native';
import { Word } from './Button';
import { T } from './T';
import { useSpeaker } from '../phone/speaker';

/**
 * A sheet over the screen: the browser's own dialog, so that the focus stays in it, Escape closes it and what is behind
 * it is out of reach.
 */
export function Sheet({ title, onClose, children }: { title: string; onClose: (() => void) | null; children: ReactNode }) {
  const speaker = useSpeaker();
  const box = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    const dialog = box.current;
    if (dialog && !dialog.open) dialog.showModal();
    return () => dialog?.close();
  }, []);
  return (
    <dialog
      ref={box}
      aria-label={title}
      onCancel={(event) => {
        event.preventDefault();
        onClose?.();
      }}
      style={{
        width: 'min(100%, 560px)',
        maxHeight: '90%',
        margin: 'auto auto 0 auto',
        padding: 0,
        border: '3px solid var(--ink)',
        background: 'var(--ground)',
        color: 'var(--ink)',
        overflow: 'auto',
      }}
    >
      <View className="gap-3 p-4">
        <View className="flex-row items-center justify-between">
          <T as="h2" className="flex-1">
            {title}
          </T>
          {onClose ? <Word label={say(speaker, 'sheet.close')} onPress={onClose} /> : null}
        </View>
        {children}
      </View>
    </dialog>
  );
}
