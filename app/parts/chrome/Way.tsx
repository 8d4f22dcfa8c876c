import { Link, useRouter, type Href } from 'expo-router';
import type { GestureResponderEvent, PressableProps } from 'react-native';
import { Pressable } from 'react-native';
import { isGoingBack, onceBack } from './goBack';

/** Whether the browser is asked to open the link elsewhere: a new tab, a new window, a download. */
const opensElsewhere = (event: GestureResponderEvent): boolean => {
  const { ctrlKey, metaKey, shiftKey, altKey } = event as unknown as MouseEvent;
  return ctrlKey || metaKey || shiftKey || altKey;
};

/**
 * A link to elsewhere, a real one: Enter, middle click and *open in a new tab* do what they do anywhere. A form that was
 * just saved is still being left: what is tapped meanwhile comes after that, and is not closed in its place. The router
 * leaves alone what was handled here before it; a `Link` that is itself given `onPress` would load the page anew.
 */
export function Way({ href, replace = false, ...box }: Omit<PressableProps, 'onPress'> & { href: Href; replace?: boolean }) {
  const router = useRouter();
  const press = (event: GestureResponderEvent): void => {
    if (!isGoingBack() || opensElsewhere(event)) return;
    event.preventDefault();
    onceBack(() => (replace ? router.replace(href) : router.navigate(href)));
  };
  return (
    <Link href={href} replace={replace} asChild>
      <Pressable {...box} onPress={press} />
    </Link>
  );
}
