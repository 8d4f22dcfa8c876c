import type { RowOf } from '@tufa/contract/entities';
import { say, sayCoded } from '@tufa/words';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import { Button, Word } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { PickFile } from '../parts/ui/PickFile';
import { Sheet } from '../parts/ui/Sheet';
import { StepLayout } from '../parts/job/StepScreen';
import { Answer, T } from '../parts/ui/T';
import type { JobView } from '../parts/job/useJob';
import { Camera } from './Camera';
import { keepPhoto, PhotoFault, usePhotoUrl } from './photographs';
import { Strokes } from './Strokes';
import { useSpeaker } from '../parts/phone/speaker';

const WHOLE = 'element';

/** The pictures of an element and its findings: taken or chosen, drawn on, taken again from the same place. */
export function Photos({ view, element, onDone }: { view: JobView; element: RowOf<'element'>; onDone: () => void }) {
  const speaker = useSpeaker();
  const [subject, setSubject] = useState(WHOLE);
  const [fault, setFault] = useState<string | null>(null);
  const [working, setWorking] = useState(false);
  const [opened, setOpened] = useState<string | null>(null);
  const [camera, setCamera] = useState<{ before: string | null; ghost: string | null } | null>(null);
  const findings = Object.values(view.data.finding)
    .filter((finding) => finding.elementId === element.id && !finding.removed)
    .sort((a, b) => (a.label < b.label ? -1 : 1));
  const all = Object.values(view.data.photograph)
    .filter((photograph) => photograph.elementId === element.id && !photograph.removed)
    .sort((a, b) => (a.takenAt < b.takenAt ? -1 : 1));
  const shown = all.filter((photo) => photo.findingId === (subject === WHOLE ? null : subject));
  const open = all.find(({ id }) => id === opened);
  const keep = async (picture: Blob, before: string | null): Promise<void> => {
    setWorking(true);
    setFault(null);
    try {
      await keepPhoto(picture, { jobId: view.job.id, elementId: element.id, findingId: subject === WHOLE ? null : subject, before });
    } catch (error) {
      if (!(error instanceof PhotoFault)) throw error;
      setFault(sayCoded(speaker, `photo.${error.code}`, error.figures));
    } finally {
      setWorking(false);
    }
  };
  return (
    <StepLayout
      step="walk"
      view={view}
      parts={{
        head: <Answer size="number">{say(speaker, 'photo.title', { name: element.name })}</Answer>,
        body: (
          <View className="gap-4">
            <Choice
              label={say(speaker, 'photo.of')}
              options={[{ value: WHOLE, label: element.name }, ...findings.map(({ id, label }) => ({ value: id, label }))]}
              value={subject}
              onChange={setSubject}
            />
            {fault ? (
              <View role="alert">
                <T tone="stop">{fault}</T>
              </View>
            ) : null}
            {working ? (
              <View role="status">
                <T as="faint">{say(speaker, 'photo.working')}</T>
              </View>
            ) : null}
            {shown.length === 0 ? <T as="lead">{say(speaker, 'photo.none')}</T> : null}
            <View className="flex-row flex-wrap gap-3">
              {shown.map((photo, i) => (
                <Thumb key={photo.id} photo={photo} n={i + 1} onOpen={() => setOpened(photo.id)} />
              ))}
            </View>
            {open ? (
              <OpenPhoto
                photo={open}
                before={open.before ? all.find(({ id }) => id === open.before) : undefined}
                onAgain={(ghost) => (setOpened(null), setCamera({ before: open.id, ghost }))}
                onClose={() => setOpened(null)}
              />
            ) : null}
            {camera ? (
              <Camera
                ghost={camera.ghost}
                onTake={(picture) => {
                  setCamera(null);
                  void keep(picture, camera.before);
                }}
                onClose={() => setCamera(null)}
              />
            ) : null}
          </View>
        ),
        foot: (
          <View className="flex-row gap-3">
            <Button label={say(speaker, 'walk.done')} onPress={onDone} />
            <PickFile label={say(speaker, 'photo.file')} grow accept="image/*" testID="photo-file" onPick={(picked) => void keep(picked, null)} />
            <Button writes="photograph.add" label={say(speaker, 'photo.camera')} tone="act" grow onPress={() => setCamera({ before: null, ghost: null })} />
          </View>
        ),
      }}
    />
  );
}

function Thumb({ photo, n, onOpen }: { photo: RowOf<'photograph'>; n: number; onOpen: () => void }) {
  const speaker = useSpeaker();
  const url = usePhotoUrl(photo, 'thumb');
  return (
    <Pressable
      role="button"
      aria-label={say(speaker, 'photo.open', { n: String(n) })}
      onPress={onOpen}
      className="h-[112px] w-[112px] border-2 border-edge bg-sunk"
    >
      {url ? <img src={url} alt="" style={{ width: '100%', height: '100%', objectFit: 'cover' }} /> : null}
    </Pressable>
  );
}

function OpenPhoto({
  photo,
  before,
  onAgain,
  onClose,
}: {
  photo: RowOf<'photograph'>;
  before: RowOf<'photograph'> | undefined;
  onAgain: (ghost: string) => void;
  onClose: () => void;
}) {
  const speaker = useSpeaker();
  const url = usePhotoUrl(photo, 'full');
  const strokes = (list: RowOf<'photograph'>['strokes']): void => void write(change('photograph', 'change', photo.id, { strokes: list }));
  if (!url) return null;
  return (
    <Sheet title={say(speaker, 'photo.taken', { date: photo.takenAt.slice(0, 10) })} onClose={onClose}>
      <T as="faint">{say(speaker, 'photo.drawHelp')}</T>
      <Strokes
        url={url}
        alt={say(speaker, 'photo.taken', { date: photo.takenAt.slice(0, 10) })}
        strokes={photo.strokes}
        onStroke={(stroke) => strokes([...photo.strokes, stroke])}
      />
      {before ? <Before photo={before} /> : null}
      <View className="flex-row flex-wrap">
        {photo.strokes.length > 0 ? (
          <Word writes="photograph.change" label={say(speaker, 'photo.undoStroke')} onPress={() => strokes(photo.strokes.slice(0, -1))} />
        ) : null}
        <Word writes="photograph.add" label={say(speaker, 'photo.again')} onPress={() => onAgain(url)} />
        <Word
          writes="photograph.remove"
          label={say(speaker, 'walk.remove')}
          onPress={() => void write(change('photograph', 'remove', photo.id)).then(onClose)}
        />
      </View>
    </Sheet>
  );
}

function Before({ photo }: { photo: RowOf<'photograph'> }) {
  const speaker = useSpeaker();
  const url = usePhotoUrl(photo, 'full');
  return url ? (
    <View className="gap-1">
      <T as="strong">{say(speaker, 'photo.before')}</T>
      <Strokes url={url} alt={say(speaker, 'photo.before')} strokes={photo.strokes} />
    </View>
  ) : null;
}
