import { useState } from 'react';
import { useWindowDimensions, type LayoutChangeEvent } from 'react-native';

/** From here on list, work and inspector stand side by side. */
export const useWide = (): boolean => useWindowDimensions().width >= 1024;

/** A phone on its side: what stands under the thumb stands beside the work instead of below it. */
export function useOnSide(): boolean {
  const { width, height } = useWindowDimensions();
  return width > height && height < 560;
}

/** The size a box was given, in whole pixels; null until it is laid out. */
export function useSize(): { size: { width: number; height: number } | null; onLayout: (event: LayoutChangeEvent) => void } {
  const [size, setSize] = useState<{ width: number; height: number } | null>(null);
  const onLayout = ({ nativeEvent: { layout } }: LayoutChangeEvent): void => {
    const next = { width: Math.floor(layout.width), height: Math.floor(layout.height) };
    setSize((size) => (size && size.width === next.width && size.height === next.height ? size : next));
  };
  return { size, onLayout };
}
