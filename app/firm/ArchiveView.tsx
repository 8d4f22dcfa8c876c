import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { api } from '../outbox/api';
import { whyText } from '../outbox/whyText';
import { useOnline } from '../parts/chrome/SyncLine';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { PickFile } from '../parts/ui/PickFile';
import { T } from '../parts/ui/T';

/** The whole firm as one file, out; and in again where nothing has been done yet. */
export function ArchiveView({ begun, unsent }: { begun: boolean; unsent: number }) {
  const speaker = useSpeaker();
  const online = useOnline();
  const [said, setSaid] = useState<{ text: string; bad: boolean } | null>(null);
  const [bringing, setBringing] = useState(false);
  const bring = async (file: File): Promise<void> => {
    setSaid(null);
    setBringing(true);
    try {
      const { rows, files } = await api.bringArchive(file);
      setSaid({ text: say(speaker, 'archive.brought', { jobs: String(rows['job'] ?? 0), files: String(files) }), bad: false });
    } catch (error) {
      setSaid({ text: whyText(speaker, error, say(speaker, 'problem.ourFault')), bad: true });
    } finally {
      setBringing(false);
    }
  };
  return (
    <View className="gap-2" testID="archive">
      <T as="h2">{say(speaker, 'archive.title')}</T>
      <T>{say(speaker, 'archive.lead')}</T>
      {unsent > 0 ? <T tone="caution">{say(speaker, 'archive.unsent', { count: unsent })}</T> : null}
      <View className="flex-row flex-wrap gap-3">
        <Button label={say(speaker, 'archive.out')} disabled={!online} onPress={() => void window.open('/api/v1/archive', '_blank', 'noopener')} />
        {begun ? null : (
          <PickFile
            label={say(speaker, bringing ? 'archive.bringing' : 'archive.in')}
            disabled={!online || bringing}
            accept=".zip,application/zip"
            onPick={(file) => void bring(file)}
            testID="archive-file"
          />
        )}
      </View>
      {begun ? <T as="small">{say(speaker, 'archive.begun')}</T> : null}
      {said ? (
        <View role={said.bad ? 'alert' : 'status'}>
          <T {...(said.bad ? { tone: 'stop' as const } : {})}>{said.text}</T>
        </View>
      ) : null}
    </View>
  );
}
