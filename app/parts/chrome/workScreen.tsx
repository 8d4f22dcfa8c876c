import { say } from '@tufa/words/speak';
import { Component, lazy, Suspense, type ComponentType, type ReactNode } from 'react';
import { View } from 'react-native';
import { later } from '../phone/later';
import { useSpeaker } from '../phone/speaker';
import { usePhone } from '../phone/useSettings';
import { useOnSide } from '../phone/useSize';
import { T } from '../ui/T';
import { ScreenLost } from './ScreenLost';

const keypad = once(() => later(() => import('../../keypad/Keypad')).then((part) => ({ default: part.Keypad })));
const Keypad = lazy(keypad);

/**
 * A screen as a route of its own, fetched when it is opened, with the keypad docked under it.
 *
 * @param end how its address ends, where that is always the same: a page that opens there begins to fetch it before anything else is known
 */
export function workScreen(load: () => Promise<ComponentType>, end?: string): ComponentType {
  const screen = once(() => later(load).then((found) => ({ default: found })));
  if (end !== undefined && typeof window !== 'undefined' && window.location.pathname.endsWith(end)) {
    // What fails here is asked for again when it is drawn, and said there.
    screen().catch(() => null);
    keypad().catch(() => null);
  }
  const Loaded = lazy(screen);
  return function WorkRoute() {
    const onSide = useOnSide();
    const { hand } = usePhone();
    return (
      <Fetched>
        <View className={`h-full w-full flex-1 ${onSide ? (hand === 'right' ? 'flex-row' : 'flex-row-reverse') : ''}`}>
          <View className="flex-1">
            <Suspense fallback={<Fetching />}>
              <Loaded />
            </Suspense>
          </View>
          <Suspense fallback={null}>
            <Keypad />
          </Suspense>
        </View>
      </Fetched>
    );
  };
}

/** Asked for once; again only after it failed. */
function once<T>(load: () => Promise<T>): () => Promise<T> {
  let asked: Promise<T> | null = null;
  return () => {
    asked ??= load().catch((error: unknown) => {
      asked = null;
      throw error;
    });
    return asked;
  };
}

function Fetching() {
  const speaker = useSpeaker();
  return (
    <View role="main" className="h-full w-full flex-1 items-center justify-center bg-ground p-4">
      <T as="lead">{say(speaker, 'state.loading')}</T>
    </View>
  );
}

/** A part that could not be fetched says so and offers to try again, rather than a blank screen. */
class Fetched extends Component<{ children: ReactNode }, { failed: boolean }> {
  override state = { failed: false };

  static getDerivedStateFromError(): { failed: boolean } {
    return { failed: true };
  }

  override render(): ReactNode {
    return this.state.failed ? <ScreenLost /> : this.props.children;
  }
}
