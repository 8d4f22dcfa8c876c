import { lazy, Suspense, type ComponentProps } from 'react';
import { View } from 'react-native';
import { once } from '../parts/phone/later';
import type { PlanLegend as Legend, PlanView as Drawn } from './PlanView';

export type { PlanLayer, PlanTouch } from './PlanView';

/** Fetched beside the screen that shows it, with the library that follows fingers. */
const drawn = once(() => import('../fingers/fingers'));
drawn().catch(() => null);
const Plan = lazy(() => drawn().then(({ PlanView: Part }) => ({ default: Part })));
const Key = lazy(() => drawn().then(({ PlanLegend: Part }) => ({ default: Part })));

/** The plan of an element, its place kept until it has come. */
export const PlanView = (props: ComponentProps<typeof Drawn>) => (
  <Suspense fallback={<View className="flex-1" />}>
    <Plan {...props} />
  </Suspense>
);

/** The legend of a plan. */
export const PlanLegend = (props: ComponentProps<typeof Legend>) => (
  <Suspense fallback={<KeyPlace rows={Math.ceil(props.kinds.length / 2)} />}>
    <Key {...props} />
  </Suspense>
);

/** As high as its rows, two kinds beside each other on a phone. */
const KeyPlace = ({ rows }: { rows: number }) => <View style={{ height: rows > 0 ? rows * 30 + 4 : 0 }} />;
