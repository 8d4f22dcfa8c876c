import type { FirmData } from '@tufa/contract/entities';
import { WEATHER } from '@tufa/core/weather';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { Field } from '../parts/ui/Field';
import { T } from '../parts/ui/T';
import { readClock } from './readClock';

type Sun = NonNullable<FirmData['element'][string]['properties']['sun']>;

const EXPOSURES = ['sun', 'part', 'shade', 'indoors'] as const;
/** The ways a wall may look, degrees from north clockwise. */
const COMPASS = { n: 0, ne: 45, e: 90, se: 135, s: 180, sw: 225, w: 270, nw: 315 } as const;
type Way = keyof typeof COMPASS;

/** Nobody has said: open to the sun, dry and grey, a wall to the south. */
const ASSUMED: Sun = { exposure: 'sun', faces_deg: COMPASS.s, absorptivity: WEATHER.absorptivity.grey };

/** An hour as it is written; undefined for none. */
function hourIn(text: string): number | undefined {
  const read_s = readClock(text);
  return read_s === null ? undefined : read_s / 3600;
}

const hourOut = (hour: number): string =>
  Number.isInteger(hour) ? String(hour) : `${Math.floor(hour)}:${String(Math.round((hour % 1) * 60)).padStart(2, '0')}`;

/** How an element stands to the sun: open or shaded, which way a wall looks, from when to when something stands before it. */
export function SunView({ data, elementId }: { data: FirmData; elementId: string }) {
  const speaker = useSpeaker();
  const [typed, setTyped] = useState<{ from: string; to: string } | null>(null);
  const element = data.element[elementId];
  if (!element) return null;
  const sun = element.properties.sun ?? ASSUMED;
  const keep = (next: Sun): void => void write(change('element', 'change', elementId, { properties: { ...element.properties, sun: next } }));
  const shown = typed ?? (sun.shaded ? { from: hourOut(sun.shaded.from_h), to: hourOut(sun.shaded.to_h) } : { from: '', to: '' });
  const [from_h, to_h] = [hourIn(shown.from), hourIn(shown.to)];
  const wrong = (text: string, hour: number | undefined): string | undefined =>
    text.trim() !== '' && hour === undefined ? say(speaker, 'sun.fault') : undefined;
  const { shaded: _before, ...open } = sun;
  return (
    <View className="gap-2" testID="sun">
      <T as="h2">{say(speaker, 'sun.title', { name: element.name })}</T>
      <Choice
        label={say(speaker, 'sun.exposure')}
        value={sun.exposure}
        options={EXPOSURES.map((value) => ({ value, label: say(speaker, `sun.${value}`) }))}
        onChange={(exposure) => keep({ ...sun, exposure })}
      />
      {element.kind === 'wall' ? (
        <Choice
          label={say(speaker, 'sun.faces')}
          value={(Object.keys(COMPASS) as Way[]).find((way) => COMPASS[way] === sun.faces_deg) ?? null}
          options={(Object.keys(COMPASS) as Way[]).map((value) => ({ value, label: say(speaker, `sun.way.${value}`) }))}
          onChange={(way) => keep({ ...sun, faces_deg: COMPASS[way] })}
        />
      ) : null}
      {sun.exposure === 'sun' || sun.exposure === 'part' ? (
        <View className="flex-row flex-wrap items-end gap-2">
          <Field label={say(speaker, 'sun.from')} value={shown.from} onChange={(from) => setTyped({ ...shown, from })} fault={wrong(shown.from, from_h)} />
          <Field label={say(speaker, 'sun.to')} value={shown.to} onChange={(to) => setTyped({ ...shown, to })} fault={wrong(shown.to, to_h)} />
          {typed ? (
            <Button
              label={say(speaker, 'sun.keep')}
              disabled={!(typed.from.trim() === '' && typed.to.trim() === '') && (from_h === undefined || to_h === undefined)}
              onPress={() => {
                keep(from_h === undefined || to_h === undefined ? open : { ...sun, shaded: { from_h, to_h } });
                setTyped(null);
              }}
            />
          ) : null}
        </View>
      ) : null}
    </View>
  );
}
