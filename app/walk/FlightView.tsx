import type { RowOf } from '@tufa/contract/entities';
import { evenedRise, onStepAt, type Flight, type FlightSurvey, type OnStep } from '@tufa/core/survey';
import { flightFaceAt, flightHeight, flightLayout, flightScene, nicePace, ruledEdge, type FlightFinding, type Scene } from '@tufa/draw';
import { say } from '@tufa/words';
import { planKind, textOf } from '@tufa/words/survey';
import { localeOf, type Speaker } from '@tufa/words/speak';
import { useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { View } from 'react-native';
import { Button } from '../parts/ui/Button';
import { SceneView } from '../parts/ui/SceneView';
import { T } from '../parts/ui/T';
import { useSpeaker } from '../parts/phone/speaker';
import { useSize } from '../parts/phone/useSize';
import { usePhone } from '../parts/phone/useSettings';

const RULER = 56;
/** Risers nearer than this are alike to a tape, m. */
const TOLD_M = 0.0015;

/** What a face may need, by which face it is. */
const NEEDS = { riser: ['skim', 'step', 'spall'], tread: ['spall', 'skim', 'step'], nosing: ['edge', 'step'] } as const;

/** What is begun at a face. */
export type FlightNeed = (typeof NEEDS)[keyof typeof NEEDS][number];

/** The faces of a flight from its foot to its landing, as a climber meets them. */
const climbed = ({ steps }: Pick<Flight, 'steps'>): OnStep[] =>
  steps.flatMap((_, i) => (['riser', 'nosing', 'tread'] as const).map((face): OnStep => ({ step: i + 1, face })));

const same = (a: OnStep | null, b: OnStep | null): boolean => a?.step === b?.step && a?.face === b?.face;

/** Which face a finding is on: as it says, else where it was drawn. */
function onFace(flight: Flight, { kind, outline, properties }: RowOf<'finding'>): OnStep | null {
  if (kind === 'step' && properties.from !== undefined) return { step: properties.from, face: 'nosing' };
  if ('onStep' in properties && properties.onStep) return properties.onStep;
  return onStepAt(flight, outline.points);
}

/** Whether a finding is on a face; a rebuilt step is on all faces of its steps. */
function isOn(flight: Flight, finding: RowOf<'finding'>, face: OnStep): boolean {
  const on = onFace(flight, finding);
  if (finding.kind !== 'step') return same(on, face);
  return on !== null && face.step >= on.step && face.step < on.step + finding.properties.steps;
}

/** A finding as the profile shows it. */
function drawnOn(flight: Flight, finding: RowOf<'finding'>): FlightFinding {
  const ys = finding.outline.points.map(([, y]) => y);
  return {
    id: finding.id,
    label: finding.label,
    kind: planKind(finding),
    from_m: Math.min(...ys),
    to_m: Math.max(...ys),
    ...(finding.kind === 'edge' ? { broken: { across_m: finding.properties.across.value, down_m: finding.properties.down.value } } : {}),
    ...(finding.kind === 'step'
      ? {
          rebuilt: {
            step: finding.properties.from ?? onStepAt(flight, finding.outline.points)?.step ?? 1,
            steps: finding.properties.steps,
            stays: finding.properties.stays,
          },
        }
      : {}),
  };
}

/** How many steps of a flight have something broken on them. */
export const brokenSteps = (flight: Flight, findings: readonly RowOf<'finding'>[]): number =>
  new Set(
    findings.flatMap((finding) => {
      const on = finding.kind === 'mark' ? null : onFace(flight, finding);
      return on ? Array.from({ length: finding.kind === 'step' ? finding.properties.steps : 1 }, (_, i) => on.step + i) : [];
    }),
  ).size;

/** A flight in profile: each riser, tread and nosing is tapped where it is broken, and says what the tape said of it. */
export function FlightView({
  flight,
  survey,
  findings,
  onOpen,
  onBegin,
}: {
  flight: Flight;
  survey: FlightSurvey | null;
  findings: readonly RowOf<'finding'>[];
  onOpen: (findingId: string) => void;
  onBegin: (kind: FlightNeed, on: OnStep) => void;
}) {
  const speaker = useSpeaker();
  const { size, onLayout } = useSize();
  const { hand } = usePhone();
  const [chosen, setChosen] = useState<OnStep | null>(null);
  const box = useRef<View>(null);
  const width = size ? size.width - RULER : 0;
  const height = size ? Math.round(Math.min(HEIGHTS.most, Math.max(HEIGHTS.least, flightHeight({ flight, width })))) : 240;
  const drawn = useMemo(() => findings.map((finding) => drawnOn(flight, finding)), [flight, findings]);
  const scene = useMemo(() => {
    if (width < 60) return null;
    const printed = flight.steps.map(({ rise, going }) => ({ rise: textOf(speaker, rise, 'length'), going: textOf(speaker, going, 'length') }));
    return flightScene({ flight, printed, findings: drawn, chosen, width, height });
  }, [flight, drawn, chosen, width, height, speaker]);
  const layout = useMemo(() => (width < 60 ? null : flightLayout({ flight, width, height })), [flight, width, height]);
  const ruler = useMemo(() => (layout ? rulerOf(speaker, layout, height, hand === 'left') : null), [layout, height, hand, speaker]);
  const climb = (by: 1 | -1): void => {
    const faces = climbed(flight);
    const at = faces.findIndex((face) => same(face, chosen));
    setChosen(faces[at < 0 ? (by > 0 ? 0 : faces.length - 1) : Math.min(faces.length - 1, Math.max(0, at + by))]!);
  };
  const onTap = (event: { clientX: number; clientY: number }): void => {
    const rect = (box.current as unknown as HTMLElement).getBoundingClientRect();
    if (layout) setChosen(flightFaceAt(layout, [event.clientX - rect.left, event.clientY - rect.top]));
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const by = ({ ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 } as const)[event.key as 'ArrowUp'];
    if (!by) return;
    event.preventDefault();
    climb(by);
  };
  return (
    <View className="gap-3">
      <View onLayout={onLayout} className={hand === 'right' ? 'flex-row' : 'flex-row-reverse'} style={{ minHeight: height }}>
        {scene && ruler ? (
          <>
            <View
              ref={box}
              role={'application' as never}
              aria-label={say(speaker, 'walk.flight.help')}
              tabIndex={0}
              testID="flight"
              style={{ width, height, cursor: 'pointer' } as object}
              {...({ onClick: onTap, onKeyDown } as object)}
            >
              <SceneView scene={scene} />
            </View>
            <SceneView scene={ruler} bare />
          </>
        ) : null}
      </View>
      <View className="border-2 border-edge bg-sheet p-3 gap-3" aria-live="polite" testID="flight-face">
        <FaceWords flight={flight} survey={survey} chosen={chosen} />
        {chosen
          ? findings
              .filter((finding) => isOn(flight, finding, chosen))
              .map((finding) => (
                <Button key={finding.id} label={say(speaker, 'walk.editFinding', { label: finding.label })} onPress={() => onOpen(finding.id)} />
              ))
          : null}
        <View className="flex-row gap-2">
          <Button label={say(speaker, 'walk.flight.lower')} grow onPress={() => climb(-1)} />
          <Button label={say(speaker, 'walk.flight.higher')} grow onPress={() => climb(1)} />
        </View>
        {chosen ? (
          <View className="flex-row flex-wrap gap-2">
            {NEEDS[chosen.face].map((kind) => (
              <Button key={kind} writes="finding.add" label={say(speaker, `walk.flight.need.${kind}`)} grow onPress={() => onBegin(kind, chosen)} />
            ))}
          </View>
        ) : null}
      </View>
    </View>
  );
}

/** What the tape and the level say of the face in hand; how the flight is to be read while none is. */
function FaceWords({ flight, survey, chosen }: { flight: Flight; survey: FlightSurvey | null; chosen: OnStep | null }) {
  const speaker = useSpeaker();
  if (!chosen) return <T as="lead">{say(speaker, 'walk.flight.tap')}</T>;
  const { step, face } = chosen;
  const of = flight.steps[step - 1]!;
  const landing = step === flight.steps.length && face === 'tread';
  const measured = face === 'tread' ? of.going : of.rise;
  const surveyed = survey?.steps[step - 1];
  const least = survey?.risers.least;
  const over_m = surveyed && least ? surveyed.rise_m - least.value_m : 0;
  const even_m = face === 'tread' ? null : evenedRise({ flight, step });
  return (
    <View className="gap-1">
      <View className="flex-row items-baseline justify-between gap-2">
        <T as="strong">
          {landing
            ? say(speaker, 'walk.flight.landing')
            : say(speaker, 'walk.flight.face', { step: String(step), face: say(speaker, `walk.stepFaces.${face}`).toLowerCase() })}
        </T>
        {face === 'nosing' ? null : <T as="number">{textOf(speaker, measured, 'length')}</T>}
      </View>
      {face === 'riser' && least && over_m >= TOLD_M ? <T as="faint">{say(speaker, 'walk.flight.over', { off_m: over_m, than: String(least.step) })}</T> : null}
      {face === 'riser' && even_m !== null && Math.abs(even_m - of.rise.value) >= TOLD_M / 2 ? (
        <T as="faint">{say(speaker, 'walk.flight.evens', { even_m, step: String(step), next: String(step + 1) })}</T>
      ) : null}
      {face === 'tread' && surveyed ? (
        <T as="faint">
          {say(speaker, `walk.flight.lies.${surveyed.lies}`, {
            fall: (Math.abs(surveyed.pitch ?? 0) * 100).toLocaleString(localeOf(speaker), { maximumFractionDigits: 1 }),
          })}
        </T>
      ) : null}
    </View>
  );
}

/** Room for a flight: as high as it asks at its width, never lost, never the whole screen. */
const HEIGHTS = { least: 200, most: 340 } as const;

/** The ruled edge beside a flight: heights over its foot. */
function rulerOf(speaker: Speaker, { floor, corners, perMetre }: ReturnType<typeof flightLayout>, height: number, mirror: boolean): Scene {
  const metric = speaker.system === 'metric';
  const unit_m = metric ? 0.01 : 0.0254;
  const top = corners.at(-1)!.nosing[1];
  const tall = (floor - top) / perMetre / unit_m;
  const major = metric ? nicePace(tall / 2) : tall > 40 ? 12 : 6;
  return {
    width: RULER,
    height,
    title: { text: '' },
    shapes: ruledEdge({
      x: mirror ? RULER - 4 : 4,
      from: top,
      to: floor,
      zeroAt: floor,
      perUnit: unit_m * perMetre,
      major,
      minor: metric ? major / 5 : major / 6,
      mirror,
      upward: true,
      unit: metric ? 'cm' : 'in',
    }),
  };
}
