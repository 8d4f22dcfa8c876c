import { say } from '@tufa/words';
import { usePathname, useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { tinykeys } from 'tinykeys';
import { Lines } from '../ui/Lines';
import { Sheet } from '../ui/Sheet';
import { useWide } from '../phone/useSize';
import { useSpeaker } from '../phone/speaker';
import { links, STEPS } from '../../links';

const PLACES = [
  ['g n', 'now'],
  ['g j', 'jobs'],
  ['g s', 'shelf'],
  ['g b', 'bench'],
] as const;

const typing = (): boolean => /^(INPUT|TEXTAREA|SELECT)$/.test(document.activeElement?.tagName ?? '');

/** Keys for a wide screen, and the sheet that lists them. A key typed into a field stays in the field. */
export default function Shortcuts() {
  const speaker = useSpeaker();
  const router = useRouter();
  const path = usePathname();
  const wide = useWide();
  const [help, setHelp] = useState(false);
  const jobId = /^\/jobs\/([0-9a-f-]{36})/.exec(path)?.[1];
  useEffect(() => {
    if (!wide) return;
    const unlessTyping = (act: () => void) => (event: KeyboardEvent) => {
      if (typing()) return;
      event.preventDefault();
      act();
    };
    return tinykeys(window, {
      '?': unlessTyping(() => setHelp(true)),
      'Shift+?': unlessTyping(() => setHelp(true)),
      n: unlessTyping(() => router.push(links.newJob())),
      '/': unlessTyping(() => router.push(links.jobs())),
      ...Object.fromEntries(PLACES.map(([keys, place]) => [keys, unlessTyping(() => router.push(links[place]()))])),
      ...Object.fromEntries(STEPS.map((step, i) => [String(i + 1), unlessTyping(() => jobId && router.replace(links.step(jobId, step)))])),
    });
  }, [wide, router, jobId]);
  if (!help) return null;
  return (
    <Sheet title={say(speaker, 'keys.title')} onClose={() => setHelp(false)}>
      <Lines
        label={say(speaker, 'keys.title')}
        lines={[
          ...PLACES.map(([keys, name]) => [say(speaker, `nav.${name}`), keys] as const),
          ...STEPS.map((step, i) => [say(speaker, `step.${step}`), String(i + 1)] as const),
          [say(speaker, 'now.newJob'), 'n'],
          [say(speaker, 'jobs.search'), '/'],
          [say(speaker, 'keys.slider'), say(speaker, 'keys.arrows')],
          [say(speaker, 'keys.help'), '?'],
        ]}
      />
    </Sheet>
  );
}
