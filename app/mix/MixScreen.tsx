import { kindOf, type ChosenPlan, type TicketLine } from '@tufa/core/plan';
import { vesselScene } from '@tufa/draw';
import { isNamedShare, say, printFigure, sayShare, sayCoded } from '@tufa/words';
import { nearestMark } from '@tufa/core/mix';
import { TASKS, type Sheet, type Task } from '@tufa/core/shelf';
import { printIn, siFactor } from '@tufa/core/quantity';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { Text, useWindowDimensions, View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import { Button } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { Cautions } from '../parts/job/Cautions';
import { Lines } from '../parts/ui/Lines';
import { SceneView } from '../parts/ui/SceneView';
import { nothingYet, StepLayout, StepScreen } from '../parts/job/StepScreen';
import { refusedOf } from '../parts/job/refusedOf';
import { stopOf } from '../parts/job/stopOf';
import { SunSwitch } from '../parts/chrome/SunSwitch';
import { Answer, T } from '../parts/ui/T';
import type { JobView } from '../parts/job/useJob';
import { Warnings } from '../parts/job/Warnings';
import { usePhone } from '../parts/phone/useSettings';
import { vessel } from '../parts/job/vessel';
import { needText } from './needText';
import { CrewView } from './CrewView';
import { JobOrder } from './JobOrder';
import { packsText } from './packsText';
import { StalePlan } from '../pour/StalePlan';
import { inUse } from '../pour/storedPlan';
import { PlanFile } from './PlanFile';
import { Toggle } from '../parts/ui/Toggle';
import type { Speaker } from '@tufa/words/speak';
import { useSpeaker } from '../parts/phone/speaker';
import { links, type Step } from '../links';

export const MixScreen = () => <StepScreen step="mix">{(view) => <Mix key={view.job.id} view={view} />}</StepScreen>;

/** A small powder by the level teaspoon, to a quarter. */
const teaspoons = (volume_m3: number): string => printIn({ kind: 'volume', value: Math.round((volume_m3 / TEASPOON_M3) * 4) * (TEASPOON_M3 / 4), unit: 'tsp' });
const TEASPOON_M3 = siFactor('volume', 'tsp');

/** What binds a batch, in words; a choice limit of the whole bag is no limit. */
function limitText(speaker: Speaker, { batches }: ChosenPlan): string {
  if (batches.share === null) return say(speaker, 'mix.noFit', { limit: batches.limit ?? '' });
  if (batches.count === 1) return say(speaker, 'mix.oneBatch');
  return batches.limit === null ? say(speaker, 'mix.whole') : say(speaker, 'mix.limitLine', { limit: batches.limit });
}

/** Bags and batches; one ticket at the pail; what to buy: of the plan that is poured by. */
function Mix({ view: present }: { view: JobView }) {
  const speaker = useSpeaker();
  const view = inUse(present);
  const router = useRouter();
  const go = (step: Step) => (): void => router.replace(links.step(view.job.id, step));
  const stop = stopOf(speaker, 'mix', view, go('walk'));
  if (stop) return stop;
  const { finding, sheet } = view;
  if (!finding?.chosen || !sheet || !view.plan)
    return (
      <StepLayout
        step="mix"
        view={view}
        parts={nothingYet({ title: say(speaker, 'fix.none'), lead: say(speaker, 'day.choose'), label: say(speaker, 'step.fix'), onPress: go('fix') })}
      />
    );
  const { chosen } = finding;
  const refused = refusedOf({ speaker, step: 'mix', view, input: view.input, chosen, toFix: go('fix') });
  if (refused) return refused;
  const { quantities, batches } = chosen;
  const found = view.input.findings.find(({ id }) => id === finding.findingId);
  const element = view.input.elements.find(({ id }) => id === found?.elementId);
  const work = found && element ? kindOf(found).work(found, element) : null;
  const count = quantities.chosen.packages.reduce((sum, pack) => sum + pack.count, 0);
  return (
    <StepLayout
      step="mix"
      view={view}
      parts={{
        head: (
          <View className="gap-1">
            <View className="flex-row items-center justify-between">
              <Answer after={`${say(speaker, 'mix.buy')}: ${packsText(speaker, quantities.chosen.packages)}`}>{say(speaker, 'mix.bags', { count })}</Answer>
              <SunSwitch />
            </View>
            <T as="lead" {...(batches.share === null ? { tone: 'stop' as const } : {})}>
              {batches.share === null
                ? limitText(speaker, chosen)
                : say(speaker, 'mix.lead', {
                    ...needText(speaker, quantities, sheet.water !== null),
                    count: batches.count,
                    share: sayShare(speaker, batches.share),
                    limit: limitText(speaker, chosen),
                  })}
            </T>
          </View>
        ),
        body: (
          <View className="gap-4">
            <StalePlan view={present} />
            <Warnings plan={view.plan} />
            <Tickets view={view} chosen={chosen} sheet={sheet} />
            <Cautions screen="mix" input={view.input} plan={view.plan} data={view.data} />
            {work ? <CrewView jobId={view.job.id} input={view.input} work={work} /> : null}
            <Order chosen={chosen} />
            <JobOrder input={view.input} plan={view.plan} />
            <PlanFile view={view} />
          </View>
        ),
        foot:
          batches.share === null ? (
            <Button label={say(speaker, 'step.day')} tone="act" onPress={go('day')} />
          ) : (
            <Button label={say(speaker, 'mix.goPour')} tone="act" big onPress={go('pour')} />
          ),
      }}
    />
  );
}

/** The ticket of every batch but the last, and the last one's own where what is left is less. */
function Tickets({ view, chosen, sheet }: { view: JobView; chosen: ChosenPlan; sheet: Sheet }) {
  const speaker = useSpeaker();
  const [isLast, setIsLast] = useState(false);
  const { last, batches } = chosen;
  if (!last) return <TicketView view={view} batch={chosen} sheet={sheet} title={say(speaker, 'mix.ticket')} />;
  const rest = batches.count - 1;
  const titles = { rest: say(speaker, 'mix.ticketRest', { count: rest }), last: say(speaker, 'mix.ticketLast', { number: batches.count }) };
  return (
    <View className="gap-2">
      <Choice
        label={say(speaker, 'mix.ticket')}
        value={isLast ? 'last' : 'rest'}
        options={[
          { value: 'rest', label: titles.rest },
          { value: 'last', label: titles.last },
        ]}
        onChange={(value) => setIsLast(value === 'last')}
      />
      <TicketView key={isLast ? 'last' : 'rest'} view={view} batch={isLast ? last : chosen} sheet={sheet} title={isLast ? titles.last : titles.rest} />
    </View>
  );
}

/** How stiff it is mixed: as the work asks, or as the crew has it; water, yield and clocks follow. */
function Consistency({ view, sheet, task }: { view: JobView; sheet: Sheet; task: Task }) {
  const speaker = useSpeaker();
  const { consistency, ...batch } = view.input.batch;
  const tasks = TASKS.filter((each) => each === task || sheet.water?.byTask[each] !== undefined);
  const back = consistency ? [{ value: 'asWork' as const, label: say(speaker, 'mix.asWork') }] : [];
  return (
    <Choice<Task | 'asWork'>
      label={say(speaker, consistency ? 'mix.consistencyYours' : 'mix.consistencyWork')}
      value={task}
      options={[...back, ...tasks.map((each) => ({ value: each, label: say(speaker, `word.task.${each}`) }))]}
      onChange={(each) => void write(change('job', 'change', view.job.id, { batch: each === 'asWork' ? batch : { ...batch, consistency: each } }))}
    />
  );
}

/** One ticket, in the order it goes into the pail, a line to tick at a time, beside the pail with its marks. */
function TicketView({ view, batch, sheet, title }: { view: JobView; batch: Pick<ChosenPlan, 'ticket' | 'window'>; sheet: Sheet; title: string }) {
  const speaker = useSpeaker();
  const { ticket, window } = batch;
  const { hand } = usePhone();
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const tick = (key: string): void => setTicked(ticked.includes(key) ? ticked.filter((other) => other !== key) : [...ticked, key]);
  const metric = speaker.system === 'metric';
  const narrow = useWindowDimensions().width < 380;
  const water = ticket.lines.find((line) => line.code === 'water');
  const scene = useMemo(
    () =>
      vesselScene({
        width: narrow ? 126 : 156,
        height: 330,
        pail_m3: view.input.firm.pail_m3,
        water_m3: water?.code === 'water' ? water.volume_m3 : 0,
        mixed_m3: window.batch.volume_m3,
        unit_m3: metric ? 0.001 : 8 * MARK_M3.us,
        unit: say(speaker, metric ? 'unit.L' : 'unit.qt'),
        mirror: hand === 'left',
      }),
    [narrow, view.input.firm.pail_m3, water, window.batch.volume_m3, metric, speaker, hand],
  );
  return (
    <View className="gap-2">
      <T as="h2">{`${title}, ${sayShare(speaker, ticket.share)}`}</T>
      <T as="faint">
        {say(speaker, 'mix.ticketLead', { volume_m3: window.batch.volume_m3, area_m2: window.batch.area_m2, thickness_m: window.question.thickness_m })}
      </T>
      <View className={hand === 'right' ? 'flex-row gap-3' : 'flex-row-reverse gap-3'}>
        <View className="flex-1">
          {ticket.lines.map((line, i) => (
            <TicketRow
              key={`${line.code}${i}`}
              line={line}
              sheet={sheet}
              powder_kg={window.batch.powder_kg}
              on={ticked.includes(`${line.code}${i}`)}
              onTick={() => tick(`${line.code}${i}`)}
            />
          ))}
        </View>
        <SceneView scene={scene} />
      </View>
      {sheet.water ? (
        <>
          <T as="strong">
            {ticket.moreWater_m3 > 1e-6 ? say(speaker, 'mix.more', { more: vessel(speaker, 'volume', ticket.moreWater_m3) }) : say(speaker, 'mix.noMore')}
          </T>
          <T>{`${say(speaker, 'mix.hand')}: ${say(speaker, `mix.test.${ticket.task}`)}`}</T>
          <Consistency view={view} sheet={sheet} task={ticket.task} />
        </>
      ) : null}
    </View>
  );
}

/** One mark of the jug the crew holds: four ounces, or fifty millilitres. */
const MARK_M3 = { us: 4 * 2.95735295625e-5, metric: 5e-5 } as const;

/** The jug's nearest mark inside the sheet's band of water, and how far it is off. */
function markText(speaker: Speaker, { water_m3, powder_kg, sheet }: { water_m3: number; powder_kg: number; sheet: Sheet }): string {
  if (!sheet.water) return '';
  const band = { least_m3: (powder_kg * sheet.water.least) / 1000, most_m3: (powder_kg * sheet.water.most) / 1000 };
  const mark = nearestMark({ wanted_m3: water_m3, step_m3: MARK_M3[speaker.system], ...band });
  if (!mark) return say(speaker, 'mix.noMark');
  const percent = Math.round(mark.difference * 100);
  const off = percent === 0 ? '' : `, ${percent > 0 ? '+' : '\u2212'}${Math.abs(percent)} %`;
  return `${say(speaker, 'mix.mark', { mark: vessel(speaker, 'volume', mark.mark_m3) })}${off}`;
}

/** A share with a name is taken by the bag, any other by weight; either says the other too. */
function powderText(speaker: Speaker, { share, mass_kg, portions }: Extract<TicketLine, { code: 'powder' }>): { main: string; sub: string } {
  const mass = vessel(speaker, 'mass', mass_kg);
  const [main, other] = isNamedShare(share) ? [sayShare(speaker, share), mass] : [mass, sayShare(speaker, share)];
  return { main, sub: portions > 1 ? say(speaker, 'mix.inGoes', { mass: other, count: portions }) : other };
}

const figureOf = (speaker: Speaker, line: TicketLine, sheet: Sheet, powder_kg: number): { main: string; sub: string } => {
  switch (line.code) {
    case 'water':
      return {
        main: vessel(speaker, 'volume', line.volume_m3),
        sub: `${say(speaker, 'mix.toLower')}. ${markText(speaker, { water_m3: line.volume_m3, powder_kg, sheet })}`,
      };
    case 'ice':
      return { main: vessel(speaker, 'mass', line.mass_kg), sub: say(speaker, 'mix.iceMelts') };
    case 'citric':
      return { main: vessel(speaker, 'mass', line.mass_kg), sub: `${teaspoons(line.volume_m3)}, ${say(speaker, 'mix.stirGone')}` };
    case 'colour':
      return { main: say(speaker, 'mix.colourPacks', { count: Math.round(line.packs * 100) / 100 }), sub: say(speaker, 'mix.stirGone') };
    case 'stone':
      return { main: vessel(speaker, 'mass', line.mass_kg), sub: say(speaker, 'mix.stoneIn') };
    case 'sand':
      return { main: vessel(speaker, 'mass', line.mass_kg), sub: say(speaker, 'mix.sandIn') };
    case 'fibre':
      return { main: vessel(speaker, 'mass', line.mass_kg), sub: say(speaker, 'mix.fibreLast') };
    case 'ready':
      return { main: vessel(speaker, 'volume', line.volume_m3), sub: say(speaker, 'mix.readyAsItIs') };
    case 'part':
      return { main: vessel(speaker, 'volume', line.level_m3), sub: `${say(speaker, 'mix.toMark')}, ${vessel(speaker, 'mass', line.mass_kg)}` };
    case 'retarder':
      return { main: say(speaker, 'day.packets', { count: Math.round(line.packets * 100) / 100 }), sub: say(speaker, 'mix.stirGone') };
    case 'powder':
      return powderText(speaker, line);
    case 'mix':
      return { main: printFigure(speaker, 't_s', line.time_s), sub: say(speaker, 'mix.slow') };
  }
};

function TicketRow({ line, sheet, powder_kg, on, onTick }: { line: TicketLine; sheet: Sheet; powder_kg: number; on: boolean; onTick: () => void }) {
  const speaker = useSpeaker();
  const { main, sub } = figureOf(speaker, line, sheet, powder_kg);
  return (
    <Toggle
      role="checkbox"
      aria-checked={on}
      aria-label={`${say(speaker, `mix.${line.code}`)} ${main}, ${sub}`}
      onPress={onTick}
      className="min-h-[88px] flex-row items-center gap-3 border-b border-line py-2"
    >
      <View className={`h-[40px] w-[40px] items-center justify-center border-4 border-ink ${on ? 'bg-selected' : 'bg-sheet'}`}>
        {on ? <Text className="font-text text-24 font-bold text-on-selected">✓</Text> : null}
      </View>
      <View className="flex-1">
        <T as="small">{say(speaker, `mix.${line.code}`)}</T>
        <T as="number">{main}</T>
        <T>{sub}</T>
      </View>
    </Toggle>
  );
}

function Order({ chosen }: { chosen: ChosenPlan }) {
  const speaker = useSpeaker();
  const { options, chosen: bought } = chosen.quantities;
  return (
    <View className="gap-1">
      <T as="h2">{say(speaker, 'mix.buyTitle')}</T>
      <T as="strong">{`${packsText(speaker, bought.packages)}  ${printFigure(speaker, 'c_minor', bought.cost_minor)}`}</T>
      <Lines
        label={say(speaker, 'mix.order')}
        lines={options.map((option) => [
          sayCoded(speaker, `mix.p${Math.round(option.quantile * 100)}`),
          `${packsText(speaker, option.packages)}, ${printFigure(speaker, 'c_minor', option.cost_minor)}; ${say(speaker, 'mix.short', { percent: Math.round(option.chanceShort * 100) })}; ${say(speaker, 'mix.left', { left: printFigure(speaker, 'l_kg', option.leftOver_kg) })}`,
        ])}
      />
    </View>
  );
}
