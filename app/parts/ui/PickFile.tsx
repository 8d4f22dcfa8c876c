import { useRef, type ComponentProps } from 'react';
import { Button } from './Button';

/** A button that asks the browser for a file. */
export function PickFile({
  accept,
  onPick,
  testID,
  ...button
}: Omit<ComponentProps<typeof Button>, 'onPress' | 'testID'> & { accept: string; onPick: (file: File) => void; testID: string }) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button {...button} onPress={() => input.current?.click()} />
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={button.label}
        data-testid={testID}
        style={{ display: 'none' }}
        onChange={(event) => {
          const [picked] = [...(event.target.files ?? [])];
          // The same file chosen again is news too.
          event.target.value = '';
          if (picked) onPick(picked);
        }}
      />
    </>
  );
}
