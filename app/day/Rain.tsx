import { say } from '@tufa/words';
import { useSpeaker } from '../parts/phone/speaker';
import { Choice } from '../parts/ui/Choice';

/** Within how long of first water rain is seen to come, s; 0 for none. */
const COMING = { '0': 'none', '3600': 'hour', '10800': 'three', '21600': 'six' } as const;
type Coming = keyof typeof COMING;

/** Rain that somebody sees coming: what is soft by then is told. */
export function Rain({ rain_s, onChange }: { rain_s: number; onChange: (rain_s: number) => void }) {
  const speaker = useSpeaker();
  return (
    <Choice
      label={say(speaker, 'rain.coming')}
      value={(Object.keys(COMING) as Coming[]).find((coming) => Number(coming) === rain_s) ?? null}
      options={(Object.entries(COMING) as [Coming, (typeof COMING)[Coming]][]).map(([value, word]) => ({ value, label: say(speaker, `rain.${word}`) }))}
      onChange={(coming) => onChange(Number(coming))}
    />
  );
}
