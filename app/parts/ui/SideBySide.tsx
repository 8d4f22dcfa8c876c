import { ScrollView, View } from 'react-native';
import { T } from './T';
import { useWide } from '../phone/useSize';

interface SideCell {
  readonly text: string;
  /** it stands out among its row */
  readonly strong?: boolean;
}

/** One row of a comparison: what is compared, and a cell for each. */
export interface SideRow {
  readonly key: string;
  readonly label: string;
  /** under the label */
  readonly note?: string;
  readonly marked?: boolean;
  readonly cells: readonly SideCell[];
}

/** A few things side by side, a row for each thing said of them; it scrolls sideways where the phone is too narrow. */
export function SideBySide({
  caption,
  corner,
  columns,
  rows,
  testID,
}: {
  caption: string;
  corner: string;
  columns: readonly { readonly key: string; readonly label: string }[];
  rows: readonly SideRow[];
  testID?: string;
}) {
  const column = useWide() ? 'w-[190px]' : 'w-[142px]';
  return (
    <ScrollView horizontal tabIndex={0} testID={testID}>
      <View role="table" aria-label={caption}>
        <View role="row" className="flex-row border-b-2 border-ink">
          <View role="columnheader" className="w-[112px] py-2 pr-2">
            <T as="small">{corner}</T>
          </View>
          {columns.map(({ key, label }) => (
            <View key={key} role="columnheader" className={`${column} py-2 pr-2`}>
              <T as="strong">{label}</T>
            </View>
          ))}
        </View>
        {rows.map(({ key, label, note, marked, cells }) => (
          <View key={key} role="row" className={`flex-row border-b border-line ${marked ? 'bg-caution-fill' : ''}`}>
            <View role="rowheader" className="w-[112px] py-2 pr-2">
              <T as="strong">{label}</T>
              {note ? <T as="small">{note}</T> : null}
            </View>
            {cells.map(({ text, strong }, i) => (
              <View key={columns[i]!.key} role="cell" className={`${column} py-2 pr-2`}>
                <T as={strong ? 'strong' : 'body'}>{text}</T>
              </View>
            ))}
          </View>
        ))}
      </View>
    </ScrollView>
  );
}
