import { print } from '@tufa/core/quantity';
import { say } from '@tufa/words';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Button } from '../parts/ui/Button';
import { Sheet } from '../parts/ui/Sheet';
import { T } from '../parts/ui/T';
import { setPhone, usePhone } from '../parts/phone/useSettings';
import { useSpeaker } from '../parts/phone/speaker';

/** A bank card is as long as this everywhere, mm (ISO/IEC 7810, ID-1). */
const CARD_MM = 85.6;
/** CSS says 96 to the inch; no phone is so. */
const GUESS_PX_MM = 96 / 25.4;
const WIDTHS_MM = [0.1, 0.2, 0.3, 0.5, 0.8, 1, 1.5, 2, 3, 4, 6];

/** Lines of known width to hold against a crack, to scale once the screen was held against a bank card. */
export function GaugeCard({ onPick, onClose }: { onPick: (text: string) => void; onClose: () => void }) {
  const speaker = useSpeaker();
  const phone = usePhone();
  const [setting, setSetting] = useState(phone.pxPerMm === null);
  const [px, setPx] = useState(phone.pxPerMm ?? GUESS_PX_MM);
  if (setting)
    return (
      <Sheet title={say(speaker, 'gauge.calibrate')} onClose={onClose}>
        <T>{say(speaker, 'gauge.calibrateHelp')}</T>
        <View style={{ height: CARD_MM * px, width: 96 }} className="self-center border-2 border-ink bg-sheet" testID="card" />
        <View className="flex-row gap-3">
          <Button label={say(speaker, 'gauge.shorter')} grow onPress={() => setPx(px * 0.99)} />
          <Button label={say(speaker, 'gauge.longer')} grow onPress={() => setPx(px * 1.01)} />
        </View>
        <Button
          label={say(speaker, 'gauge.fits')}
          tone="act"
          onPress={() => {
            setPhone({ pxPerMm: px });
            setSetting(false);
          }}
        />
      </Sheet>
    );
  return (
    <Sheet title={say(speaker, 'gauge.title')} onClose={onClose}>
      <T>{say(speaker, 'gauge.help')}</T>
      <View>
        {WIDTHS_MM.map((width) => {
          const text = `${print({ kind: 'length', value: width / 1000, system: 'metric' }).digits} mm`;
          return (
            <Pressable
              key={width}
              role="button"
              aria-label={text}
              onPress={() => onPick(text)}
              className="min-h-[56px] flex-row items-center gap-4 border-b border-line"
            >
              <View className="bg-ink flex-1" style={{ height: width * px }} />
              <T as="strong" className="w-[72px]">
                {text}
              </T>
            </Pressable>
          );
        })}
      </View>
      <Button label={say(speaker, 'gauge.again')} onPress={() => setSetting(true)} />
    </Sheet>
  );
}
