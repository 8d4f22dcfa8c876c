import { View } from 'react-native';
import { T } from './T';

/** A line of two columns, toned where it warns. */
export type Line = readonly [name: string, value: string, tone?: 'caution' | 'stop'];

/** Names and values, a line each. */
export function Lines({ label, lines }: { label: string; lines: readonly Line[] }) {
  return (
    <View role="list" aria-label={label}>
      {lines.map(([name, value, tone], i) => (
        <View key={`${name}${i}`} role="listitem" className="flex-row justify-between gap-4 border-b border-line py-3">
          <T as="strong" className="max-w-[46%]">
            {name}
          </T>
          <T as="faint" {...(tone ? { tone } : {})} className="flex-1 text-right">
            {value}
          </T>
        </View>
      ))}
    </View>
  );
}

/** A drawing's figures as a table that any reader can walk. */
export function Table({ caption, columns, rows }: { caption: string; columns: readonly string[]; rows: readonly (readonly string[])[] }) {
  return (
    <View role="table" aria-label={caption}>
      <View role="row" className="flex-row border-b-2 border-ink">
        {columns.map((column) => (
          <View key={column} role="columnheader" className="flex-1 py-2 pr-2">
            <T as="small" className="font-bold">
              {column}
            </T>
          </View>
        ))}
      </View>
      {rows.map((row, i) => (
        <View key={i} role="row" className="flex-row border-b border-line">
          {row.map((cell, j) => (
            <View key={j} role="cell" className="flex-1 py-2 pr-2">
              <T className="tabular-nums">{cell}</T>
            </View>
          ))}
        </View>
      ))}
    </View>
  );
}
