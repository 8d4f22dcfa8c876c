import { say } from '@tufa/words/speak';
import { Component, lazy, Suspense, type ComponentType, type ReactNode } from 'react';
import { View } from 'react-native';
import { ScreenLost } from './ScreenLost';
import { usePhone } from '../phone/useSettings';
import { useOnSide } from '../phone/useSize';
import { T } from '../ui/T';
import { useSpeaker } from '../phone/speaker';

type Work = typeof import('../../work');

/** The one chunk of everything that computes or draws. */
export const loadWork = (): Promise<Work> => import('../../work');

/** Signal again, or a few seconds on. */
const laterOrOnline = (): Promise<void> =>
  new Promise((go) => {
    window.addEventListener('online', () => go(), { once: true });
    setTimeout(go, 5000);
  });

/** For a small part of a screen: until the chunk can come its place stays empty, and everything else goes on. */
export const loadPart = (): Promise<Work> => loadWork().catch(() => laterOrOnline().then(loadPart));

/** A screen of the work chunk as a route of its own. */
export function workScreen(name: Exclude<keyof Work, 'JobDrawing' | 'KitAsked' | 'Keypad' | 'Returned' | 'Shortcuts' | 'speakIn'>): ComponentType {
  const Loaded = lazy(() => loadWork().then((work) => ({ default: work[name] as ComponentType })));
  const Keypad = lazy(() => loadWork().then((work) => ({ default: work.Keypad })));
  return function WorkRoute() {
    const onSide = useOnSide();
    const { hand } = usePhone();
    return (
      <Fetched>
        <Suspense fallback={<Fetching />}>
          <View className={`h-full w-full flex-1 ${onSide ? (hand === 'right' ? 'flex-row' : 'flex-row-reverse') : ''}`}>
            <View className="flex-1">
              <Loaded />
            </View>
            <Keypad />
          </View>
        </Suspense>
      </Fetched>
    );
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

/** A chunk that could not be fetched says so and offers to try again, rather than a blank screen. */
class Fetched extends Component<{ children: ReactNode }, { failed: boolean }> {
  override state = { failed: false };

  static getDerivedStateFromError(): { failed: boolean } {
    return { failed: true };
  }

  override render(): ReactNode {
    return this.state.failed ? <ScreenLost /> : this.props.children;
  }
}
