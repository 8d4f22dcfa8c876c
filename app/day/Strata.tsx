import { lazy, Suspense, type ComponentProps } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { once } from '../parts/phone/later';
import type { StrataView as Drawn } from './StrataView';

/** Fetched beside the screen that shows them. */
const drawn = once(() => import('./StrataView').then(({ StrataView: Part }) => ({ default: Part })));
drawn().catch(() => null);
const Part = lazy(drawn);

/** The strata, their place kept until they have come. */
export const StrataView = (props: ComponentProps<typeof Drawn>) => (
  <Suspense fallback={<Place />}>
    <Part {...props} />
  </Suspense>
);

/** As high as the strata with the line under them. */
function Place() {
  const compact = useWindowDimensions().height < 740;
  return <View className={compact ? 'h-[288px]' : 'h-[360px] lg:h-[448px]'} />;
}
