import type { RowOf } from '@tufa/contract/entities';
import { say, sayCoded } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import { keepLogo, PhotoFault, usePhotoUrl } from '../photos/photographs';
import { useSpeaker } from '../parts/phone/speaker';
import { Word } from '../parts/ui/Button';
import { PickFile } from '../parts/ui/PickFile';
import { T } from '../parts/ui/T';
import { TypedText } from '../parts/ui/TypedText';

/** What stands at the head of the firm's documents beside its name. */
export function LetterheadView({ firm }: { firm: RowOf<'firm'> }) {
  const speaker = useSpeaker();
  const [fault, setFault] = useState<string | null>(null);
  const { letterhead = { lines: '', logo: null } } = firm.settings;
  const keep = (next: Partial<typeof letterhead>): void =>
    void write(change('firm', 'change', firm.id, { settings: { ...firm.settings, letterhead: { ...letterhead, ...next } } }));
  const pick = (file: File): void => {
    setFault(null);
    keepLogo(file).then(
      (logo) => keep({ logo }),
      (error: unknown) => {
        if (!(error instanceof PhotoFault)) throw error;
        setFault(sayCoded(speaker, `photo.${error.code}`, error.figures));
      },
    );
  };
  return (
    <View className="gap-2" testID="letterhead">
      <T as="h2">{say(speaker, 'firm.letterhead')}</T>
      <T as="faint">{say(speaker, 'firm.letterheadLead')}</T>
      <View className="flex-row">
        <TypedText
          label={say(speaker, 'firm.letterheadLines')}
          value={letterhead.lines}
          most={240}
          multiline
          mayBeEmpty
          onChange={(lines) => keep({ lines })}
        />
      </View>
      {fault ? (
        <View role="alert">
          <T tone="stop">{fault}</T>
        </View>
      ) : null}
      {letterhead.logo ? <Logo id={letterhead.logo} /> : null}
      <PickFile
        accept="image/png,image/jpeg"
        writes="firm.change"
        label={say(speaker, letterhead.logo ? 'firm.logoAgain' : 'firm.logo')}
        onPick={pick}
        testID="logo-file"
      />
      {letterhead.logo ? <Word writes="firm.change" label={say(speaker, 'firm.logoRemove')} onPress={() => keep({ logo: null })} /> : null}
    </View>
  );
}

function Logo({ id }: { id: string }) {
  const speaker = useSpeaker();
  const url = usePhotoUrl({ id }, 'full');
  return url ? (
    <img src={url} alt={say(speaker, 'firm.logoIs')} style={{ maxHeight: 72, maxWidth: 220, objectFit: 'contain', alignSelf: 'flex-start' }} />
  ) : null;
}
