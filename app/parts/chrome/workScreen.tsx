import { Component, lazy, Suspense, type ComponentType, type ReactNode } from 'react';
import { View } from 'react-native';
import { once } from '../phone/later';
import { Fetching } from './Fetching';
import { usePhone } from '../phone/useSettings';
import { useOnSide } from '../phone/useSize';
import { ScreenLost } from './ScreenLost';

const keypad = once(() => import('../../keypad/Keypad').then((part) => ({ default: part.Keypad })));
const Keypad = lazy(keypad);

/**
 * A screen as a route of its own, fetched when it is opened, with the keypad docked under it.
 *
 * @param end how its address ends, where that is always the same: a page that opens there begins to fetch it before anything else is known
 */
export function workScreen(load: () => Promise<ComponentType>, end?: string): ComponentType {
  const screen = once(() => load().then((found) => ({ default: found })));
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
