// Stands for the router where a screen is shown without a browser: an address, and where the screen went.
import type { ReactElement, ReactNode } from 'react';

let query: Readonly<Record<string, string>> = {};
/** Addresses that the screen went to. */
export const went: string[] = [];

/** Puts the screen on an address with these parts. */
export function standAt(at: Readonly<Record<string, string>>): void {
  query = at;
}

const go = (to: unknown): void => void went.push(String(to));
export const router = { push: go, replace: go, navigate: go, dismissTo: go, back: () => go('back'), canGoBack: () => false, setParams: () => undefined };

export const useRouter = (): typeof router => router;
export const useLocalSearchParams = (): Readonly<Record<string, string>> => query;
export const useGlobalSearchParams = (): Readonly<Record<string, string>> => query;
export const usePathname = (): string => '/';
export const Redirect = ({ href }: { href: string }): null => (go(href), null);

export function Link({
  href,
  children,
  asChild: _asChild,
  replace: _replace,
  ...more
}: {
  href: string;
  children: ReactElement;
  asChild?: boolean;
  replace?: boolean;
}): ReactElement {
  return (
    <a href={href} {...more}>
      {children}
    </a>
  );
}

/** The page's head is the browser's. */
export default function Head(_: { children: ReactNode }): null {
  return null;
}
