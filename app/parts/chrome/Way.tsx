import { Link, useRouter, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { isGoingBack, onceBack } from './goBack';

/** A link to elsewhere. A form that was just saved is still being left: what is tapped meanwhile comes after that, and is not closed in its place. */
export function Way({ href, replace = false, children }: { href: Href; replace?: boolean; children: ReactNode }) {
  const router = useRouter();
  const press = (event: { preventDefault: () => void }): void => {
    if (!isGoingBack()) return;
    event.preventDefault();
    onceBack(() => (replace ? router.replace(href) : router.navigate(href)));
  };
  return (
    <Link href={href} replace={replace} asChild onPress={press}>
      {children}
    </Link>
  );
}
