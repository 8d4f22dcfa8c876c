import { shelfOf } from '@tufa/contract/assemble';
import { say, printFigure } from '@tufa/words';
import { Link, type Href } from 'expo-router';
import { Pressable, View } from 'react-native';
import { useFirm } from '../outbox/useFirm';
import { Screen } from '../parts/Screen';
import { Standing } from '../parts/Standing';
import { Answer, T } from '../parts/T';

/** The shelf as a list: what it is, how thick, how long it flows. */
export function ShelfScreen() {
  const firm = useFirm();
  const rows = shelfOf(firm.data);
  return (
    <Screen
      title={say('shelf.title')}
      head={
        <View className="gap-1">
          <Answer size="number">{say('shelf.count', { count: rows.length })}</Answer>
          <T as="lead">{say('shelf.lead')}</T>
        </View>
      }
    >
      <Standing firm={firm} />
      {firm.ready && rows.length === 0 ? <T as="lead">{say('shelf.none')}</T> : null}
      <View role="list">
        {rows.map(({ id, sheet }) => (
          <View key={id} role="listitem">
            <Link href={`/shelf/${id}` as Href} asChild>
              <Pressable className="min-h-[76px] flex-row items-center justify-between gap-4 border-b border-line py-3">
                <View className="flex-1">
                  <T as="strong">{sheet.name}</T>
                  <T as="faint">{`${say(`class.${sheet.class}`)}, ${say('shelf.range', { least: printFigure('least_m', sheet.thickness.least_m), most: printFigure('most_m', sheet.thickness.most_m) })}`}</T>
                </View>
                <T as="number">{printFigure('life_s', Math.sqrt(sheet.flow.least_s * sheet.flow.most_s))}</T>
              </Pressable>
            </Link>
          </View>
        ))}
      </View>
    </Screen>
  );
}
