import { lazy, Suspense, type ComponentProps } from 'react';
import { View } from 'react-native';
import { later } from '../parts/phone/later';
import type { StrataView as Drawn } from './StrataView';

/** Fetched beside the screen that shows them. */
const drawn = later(() => import('./StrataView')).then(({ StrataView: Part }) => ({ default: Part }));
drawn.catch(() => null);
const Part = lazy(() => drawn);

/** The strata, their place kept until they have come. */
export const StrataView = (props: ComponentProps<typeof Drawn>) => (
  <Suspense fallback={<View className="h-[348px] lg:h-[444px]" />}>
    <Part {...props} />
  </Suspense>
);
